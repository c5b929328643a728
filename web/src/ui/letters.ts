import '@fontsource-variable/hanken-grotesk';
import '@fontsource-variable/newsreader';

/** Fetches the letters while the room's first answer is still awaited, so that no line moves when they come. */
export function fetchLetters(): void {
  for (const family of ['Hanken Grotesk Variable', 'Newsreader Variable'])
    // without them the letters of the system stand in
    void document.fonts.load(`1em '${family}'`).catch(() => undefined);
}
