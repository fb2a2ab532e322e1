/** Passwords that everybody tries first are refused: common ones, words and names in a row, and what is known about oneself. */
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';

/** 0 to 4; below this a password is found within some million guesses. */
const least = 2;
let judge: ZxcvbnFactory | undefined;

/** Why a password is refused; null = it is good. */
export function passwordProblem(password: string, about: readonly string[]): string | null {
  judge ??= new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs });
  const { score } = judge.check(password, [...about, 'neatfold', 'laundry', 'washing']);
  return score < least
    ? 'Password: this one is among the first that are tried. Take a few words that do not belong together.'
    : null;
}
