/** One part of the spread from call to call: its share, its standard deviation in dB, ln of its height. */
export interface Part {
  share: number
  width: number
  lnHeight: number
}
