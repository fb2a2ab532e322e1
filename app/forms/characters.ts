/** Characters that no keyboard types into a form: they break databases, terminals and the reading direction of a line. */
const kinds: readonly [pattern: RegExp, words: string][] = [
  // eslint-disable-next-line no-control-regex -- these are what is looked for
  [/[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F]/, 'a control character'],
  [/[\u202A-\u202E\u2066-\u2069]/, 'a character that turns the reading direction'],
  [/\uFFFD|[\uFFFE\uFFFF]/, 'a character that cannot be read'],
  [/\p{Surrogate}/u, 'half a character'],
];
/** What is odd about a text, in words; null = nothing. */
export const oddCharacter = (text: string): string | null => kinds.find(([pattern]) => pattern.test(text))?.[1] ?? null;
