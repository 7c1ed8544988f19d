export interface DroppedFile {
  name: string
  text: string
  bytes: Uint8Array
}

export interface FileDropProps {
  label: string
  hint: string
  accept: string
  multiple?: boolean
  onFiles: (files: DroppedFile[]) => void
  onTooLarge: (name: string) => void
}
