import { Children, isValidElement, type ReactElement, type ReactNode } from 'react'

interface OptionProps {
  value: string | number
  disabled?: boolean
  children: ReactNode
}

/** One line of a field's list: read by the field, drawn only while the list is open. */
export function Option(_: OptionProps): null {
  return null
}

/** The lines that are among a field's children, in order. */
export const optionsOf = (children: ReactNode): ReactElement<OptionProps>[] =>
  Children.toArray(children).filter((c): c is ReactElement<OptionProps> => isValidElement(c))

/** Whether a line is the one that a field holds; a figure and the same figure typed are one. */
export const isPicked = (option: ReactElement<OptionProps>, value: unknown) =>
  String(option.props.value) === String(value)

/** What a line says, as letters. */
export function lettersOf(node: ReactNode): string {
  return Children.toArray(node)
    .map((n) =>
      isValidElement<{ children?: ReactNode }>(n)
        ? lettersOf(n.props.children)
        : String(n as string | number),
    )
    .join('')
}
