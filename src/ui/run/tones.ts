/** Soft sine tones, each told apart by pitch and number. */
const TONES = {
  next: [660],
  undo: [440],
  row: [660, 880],
  done: [523, 659, 784],
} as const

export type Tone = keyof typeof TONES

const LENGTH_S = 0.09

/** Plays a tone; silent where the browser gives no sound. */
export function playTone(context: AudioContext | null, tone: Tone): void {
  if (!context) return
  TONES[tone].forEach((frequency, index) => {
    const at = context.currentTime + index * LENGTH_S * 1.2
    const oscillator = context.createOscillator()
    const gain = context.createGain()
    oscillator.frequency.value = frequency
    gain.gain.setValueAtTime(0, at)
    gain.gain.linearRampToValueAtTime(0.12, at + 0.012)
    gain.gain.linearRampToValueAtTime(0, at + LENGTH_S)
    oscillator.connect(gain).connect(context.destination)
    oscillator.start(at)
    oscillator.stop(at + LENGTH_S)
  })
}
