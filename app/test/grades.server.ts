/** The steps of staining as they look on white cloth, tinted by the dye that may have run. */
import { testVerdict } from '@core/colour/bleed.ts';
import { tintedHex } from '@core/colour/colour.ts';
import { stainingScale } from '@core/colour/grading.ts';
import { gradeWords } from '@words/en/bench.ts';

export interface GradeView {
  grade: number;
  words: string;
  verdict: string;
  hex: string;
}
const verdictWords = { clear: 'clear', trace: 'a trace', strong: 'strong' } as const;
export const verdictOf = (grade: number): string => verdictWords[testVerdict(grade)];
const unusedCloth = '#f7f7f4';

export const gradeSteps = (dyeHex: string): GradeView[] =>
  stainingScale.map(({ grade, deltaE }) => ({
    grade,
    words: gradeWords[grade] ?? '',
    verdict: verdictOf(grade),
    hex: tintedHex(unusedCloth, dyeHex, deltaE),
  }));
