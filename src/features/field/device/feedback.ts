let audio: AudioContext | null = null

/** A short tone; higher for done, low for refused. */
function tone(hertz: number, seconds: number): void {
  try {
    audio ??= new AudioContext()
    const [oscillator, gain] = [audio.createOscillator(), audio.createGain()]
    oscillator.frequency.value = hertz
    gain.gain.setValueAtTime(0.15, audio.currentTime)
    gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + seconds)
    oscillator.connect(gain).connect(audio.destination)
    oscillator.start()
    oscillator.stop(audio.currentTime + seconds)
  } catch {
    // A device without sound still logs.
  }
}

/** A tap is answered: felt where the device can, heard where it is wanted. */
export function answer(kind: 'done' | 'refused', tones: boolean): void {
  navigator.vibrate?.(kind === 'done' ? 20 : [60, 40, 60])
  if (tones) tone(kind === 'done' ? 880 : 220, kind === 'done' ? 0.12 : 0.35)
}

/** Says words aloud where the device has a voice. */
export function speak(words: string): void {
  if (typeof speechSynthesis === 'undefined' || speechSynthesis.getVoices().length === 0) return
  speechSynthesis.cancel()
  speechSynthesis.speak(new SpeechSynthesisUtterance(words))
}
