/** Clean or again, told to the ear: two notes up, or one below. */
export function cue(sing: (midi: number, down: boolean) => void, clean: boolean): void {
  const play = (midi: number, after: number) => {
    window.setTimeout(() => sing(midi, true), after);
    window.setTimeout(() => sing(midi, false), after + 110);
  };
  if (clean) {
    play(84, 60);
    play(91, 190);
  } else play(60, 60);
}
