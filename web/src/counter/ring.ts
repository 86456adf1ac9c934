/** Three rising tones, by the browser itself: no file, no network. Silent where the browser allows no sound. */
export function ring(): void {
  try {
    const audio = new AudioContext();
    [660, 880, 1100].forEach((hz, n) => {
      const tone = audio.createOscillator();
      const loud = audio.createGain();
      tone.frequency.value = hz;
      loud.gain.setValueAtTime(0.25, audio.currentTime + n * 0.35);
      loud.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + n * 0.35 + 0.3);
      tone.connect(loud).connect(audio.destination);
      tone.start(audio.currentTime + n * 0.35);
      tone.stop(audio.currentTime + n * 0.35 + 0.32);
    });
    setTimeout(() => void audio.close(), 2000);
  } catch {
    // No sound here: the notice and the large clock say it as well.
  }
  navigator.vibrate?.([300, 150, 300]);
}
