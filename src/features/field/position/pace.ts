/** Faster than a run, km/h: on a vehicle run the screen then takes nothing that needs looking at. */
export const PACE_KMH = 15
/** After this long below it the screen comes back, s. */
export const STILL_S = 8
