/** What waits after the wash: questions about it that nobody has answered yet. */
import { canBeAnswered } from '@core/run/inspection.ts';
import { lookQuestions } from '@words/en/look.ts';
import { finishedSince, type LoadView } from '@data/loads.ts';
import { wetNow } from '@data/wet.ts';
import { findingsOf } from '@data/findings.ts';
import { listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import type { Scope } from '../server/request.server.ts';
import { clockText, dayAndYear } from '../shared/words.ts';
import { askedSince, openLooksOf } from './inspect.server.ts';
import { loadFacts, loadTitle } from './load-view.server.ts';

const titleOfLoad = (l: LoadView): string => loadTitle(loadFacts(l.hamper, l.plan, l.load));

export interface OpenLooks {
  id: string;
  title: string;
  questions: string;
  when: string;
}
export async function openLooks(scope: Scope): Promise<OpenLooks[]> {
  const { tx, now } = scope;
  const timeZone = (await readHousehold(tx))?.timeZone ?? 'UTC';
  const out: OpenLooks[] = [];
  const finished = await finishedSince(tx, askedSince(now));
  const answers = await findingsOf(
    tx,
    finished.map((l) => l.id),
  );
  const pieces = await listPieces(tx);
  const stillWet = await wetNow(tx);
  for (const load of finished) {
    const open = openLooksOf(load, answers.get(load.id) ?? [], pieces, now).filter((l) => canBeAnswered(l, stillWet));
    if (open.length === 0 || !load.finishedAt) continue;
    const names = [...new Set(open.map((l) => lookQuestions[l.kind].title.toLowerCase()))];
    out.push({
      id: load.id,
      title: titleOfLoad(load),
      questions: names.slice(0, 4).join(', ') + (names.length > 4 ? ` and ${names.length - 4} more` : ''),
      when: `${dayAndYear(load.finishedAt, timeZone)}, ${clockText(load.finishedAt, timeZone)}`,
    });
  }
  return out;
}
