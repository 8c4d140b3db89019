let audio: AudioContext | null = null;

/** Sounds when a time is up: three short tones; silent where the browser has no sound. */
export function ring(): void {
  if (typeof AudioContext === 'undefined') return;
  audio ??= new AudioContext();
  const start = audio.currentTime;
  for (const at of [0, 0.3, 0.6]) {
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    tone.frequency.value = 880;
    volume.gain.setValueAtTime(0.2, start + at);
    volume.gain.exponentialRampToValueAtTime(0.001, start + at + 0.25);
    tone.connect(volume).connect(audio.destination);
    tone.start(start + at);
    tone.stop(start + at + 0.26);
  }
}
