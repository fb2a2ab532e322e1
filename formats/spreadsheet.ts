/** Cells that a spreadsheet program would take for a formula: a mark before them keeps it from reckoning, and comes off again. */

const formula = /^'*[=+\-@\t\r]/;
const marked = /^'+[=+\-@\t\r]/;
/** @example defused('=1+1') // "'=1+1" */
export const defused = (cell: string): string => (formula.test(cell) ? `'${cell}` : cell);
/** The cell as it was before. */
export const armed = (cell: string): string => (marked.test(cell) ? cell.slice(1) : cell);
