/** What waits after the wash: questions nobody has answered yet, and pieces nobody has felt dry. */
import { canBeAnswered } from '@core/run/inspection.ts';
import { lookQuestions } from '@words/en/look.ts';
import { finishedSince, type LoadView } from '@data/loads.ts';
import { findingsOf } from '@data/findings.ts';
import { listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { stateOf, whereabouts } from '@data/whereabouts.ts';
import type { Scope } from '../server/request.server.ts';
import { clockText, dayAndYear } from '../shared/words.ts';
import { askedSince, openLooksOf } from './inspect.server.ts';
import { loadFacts, loadTitle, type PieceRef } from './load-view.server.ts';

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
  for (const load of finished) {
    const hoursOut = (now.getTime() - (load.finishedAt?.getTime() ?? 0)) / 3_600_000;
    const open = openLooksOf(load, answers.get(load.id) ?? [], pieces, now).filter((l) =>
      canBeAnswered(l.kind, hoursOut),
    );
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

export interface WetLoad {
  id: string;
  title: string;
  when: string;
  /** All of it should be dry by now. */
  due: boolean;
  pieces: PieceRef[];
}
export async function stillWet({ tx, now }: Pick<Scope, 'tx' | 'now'>): Promise<WetLoad[]> {
  const timeZone = (await readHousehold(tx))?.timeZone ?? 'UTC';
  const where = await whereabouts(tx, now);
  const wet = new Set(
    (await listPieces(tx)).filter((p) => ['drying', 'to-feel'].includes(stateOf(p, where, now))).map((p) => p.row.id),
  );
  const shown = new Set<string>();
  return (await finishedSince(tx, new Date(now.getTime() - wetAtMostMs))).flatMap((load) => {
    const facts = loadFacts(load.hamper, load.plan, load.load);
    // The newest wash of a piece is the one it is wet of.
    const pieces = facts.card.pieces.filter((p) => wet.has(p.id) && !shown.has(p.id));
    for (const p of pieces) shown.add(p.id);
    const last = pieces.reduce((t, p) => Math.max(t, where.dryAt.get(p.id)?.getTime() ?? 0), 0);
    if (pieces.length === 0) return [];
    const due = last <= now.getTime();
    return [
      {
        id: load.id,
        title: loadTitle(facts),
        due,
        when: due
          ? 'should be dry: feel it, thick places last'
          : `dry about ${clockText(new Date(last), timeZone)}, ${dayAndYear(new Date(last), timeZone)}`,
        pieces,
      },
    ];
  });
}
const wetAtMostMs = 5 * 86_400_000;
