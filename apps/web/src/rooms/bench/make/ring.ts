/** Three strokes of two tones, as loud as the device plays: heard over a blender, and no file to fetch. */
const STROKES = 3;
const STROKE_S = 0.6;
const TONES_HZ = [1568, 2093];

/** Rings once. Silent where the browser plays nothing before it was touched, or cannot play at all. */
export function ring(): void {
  if (typeof AudioContext === 'undefined') return;
  const audio = new AudioContext();
  const volume = audio.createGain();
  volume.connect(audio.destination);
  for (let i = 0; i < STROKES; i++) {
    const at = audio.currentTime + i * STROKE_S;
    volume.gain.setValueAtTime(1, at);
    volume.gain.exponentialRampToValueAtTime(0.01, at + STROKE_S * 0.9);
    for (const tone of TONES_HZ) {
      const oscillator = audio.createOscillator();
      oscillator.type = 'square';
      oscillator.frequency.value = tone;
      oscillator.connect(volume);
      oscillator.start(at);
      oscillator.stop(at + STROKE_S * 0.9);
    }
  }
  setTimeout(() => void audio.close(), STROKES * STROKE_S * 1000 + 200);
}
