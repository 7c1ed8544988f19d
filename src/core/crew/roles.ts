/** What a device that was brought in may do; the machine's own screen is the owner and may do all. */
export type DeviceRole = 'field' | 'observer' | 'desk'
/** Whoever asks for something: a device of a role, the owner, or nobody that is known. */
export type Asker = DeviceRole | 'owner' | 'nobody'

export const DEVICE_ROLES: readonly DeviceRole[] = ['field', 'observer', 'desk']

/** What each may do, in the words of the screen where it is chosen. */
export const ROLE_WORDS: Record<DeviceRole, string> = {
  field: 'Logs the runs that it is given, and sees nothing else',
  observer: 'Reads trials and findings, and changes nothing',
  desk: 'Does all that the desk does, but for bringing devices in',
}

/** Where in a run somebody stands; absent where the device is asked. */
export type Post = 'base' | 'out there'
