import { create } from 'zustand';
import type { Sound } from './due-sounds';

/** Frequency, Hz, and when it begins, s. High enough to be heard over fans and mixers. */
const notes: Readonly<Record<Sound, readonly (readonly [number, number])[]>> = {
  due: [[1175, 0]],
  pull: [
    [1175, 0],
    [1568, 0.16],
    [2093, 0.32],
  ],
  cold: [
    [880, 0],
    [659, 0.25],
    [880, 0.5],
    [659, 0.75],
  ],
};
const noteS = 0.35;
const loudness = 0.5;

interface ChimeStore {
  /** A browser is silent until somebody has touched the page. */
  readonly blocked: boolean;
}
export const useChime = create<ChimeStore>()(() => ({ blocked: false }));

let context: AudioContext | null = null;

/** Makes the page able to sound; called on a touch it always can. */
export const openSound = async (): Promise<void> => {
  if (!('AudioContext' in globalThis)) return;
  context ??= new AudioContext();
  // Never answers while the browser waits for a touch.
  if (context.state === 'suspended') void context.resume().then(() => useChime.setState({ blocked: false }));
  useChime.setState({ blocked: context.state === 'suspended' });
};

export const closeSound = (): void => {
  void context?.close();
  context = null;
  useChime.setState({ blocked: false });
};

/** Plays it; where the page may not sound, nothing happens. */
export const chime = (sound: Sound): void => {
  if (context?.state !== 'running') return;
  const startS = context.currentTime + 0.02;
  for (const [frequency, afterS] of notes[sound]) {
    const note = context.createOscillator();
    const gain = context.createGain();
    note.type = 'triangle';
    note.frequency.value = frequency;
    // Comes up at once and dies away, so that it does not click.
    gain.gain.setValueAtTime(0, startS + afterS);
    gain.gain.linearRampToValueAtTime(loudness, startS + afterS + 0.01);
    gain.gain.exponentialRampToValueAtTime(0.001, startS + afterS + noteS);
    note.connect(gain).connect(context.destination);
    note.start(startS + afterS);
    note.stop(startS + afterS + noteS);
  }
};
