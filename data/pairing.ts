/** A code that lets a phone in is good once, for ten minutes, and after five wrong guesses not at all. */
export const pairing = { digits: 8, minutes: 10, wrongGuesses: 5 } as const;
