/** The ticket of one load, planned, running or finished. */
import { findLoad } from '@data/loads.ts';
import { readHousehold } from '@data/household.ts';
import type { Scope } from '../server/request.server.ts';
import { notFound } from '../server/request.server.ts';
import { loadFacts, loadTitle, type LoadFacts } from './load.server.ts';
import { clockText, dayAndYear, plural } from './words.ts';

export interface TicketView {
  id: string; title: string; subtitle: string; status: 'planned' | 'running' | 'finished'; facts: LoadFacts; ticked: string[]; startedAt: number | null; endsAt: number | null; endsText: string; finishedText: string; serverNow: number;
  asks: { catcher: boolean; stains: boolean; size: boolean };
  found: string[];
}

const foundWords = {
  catcher: { clear: 'Catcher clear', trace: 'Catcher: a trace of colour', strong: 'Catcher: strong colour', none: '' }, stains: { gone: 'Stains gone', left: 'Stains still there', none: '' }, size: { kept: 'Size kept', changed: 'Size changed', 'not-looked': '' },
} as const;

export async function ticketView({ tx, now }: Scope, id: string): Promise<TicketView> {
  const load = await findLoad(tx, id);
  if (!load) throw notFound('That load is not known here.');
  const timeZone = (await readHousehold(tx))?.timeZone ?? 'UTC';
  const facts = loadFacts(load.hamper, load.plan, load.load);
  const checks = new Set(facts.procedure.map((s) => s.check?.code));
  const f = load.findings;
  const ends = load.endsAt ?? new Date(now.getTime() + load.load.durationMin * 60_000);
  return {
    id: load.id, title: loadTitle(facts), subtitle: `${facts.card.fillText} · load ${load.number + 1} of ${plural(load.plan.loads.length, 'load').split(' ')[0] ?? ''}`, status: load.status, facts, ticked: load.ticked,
    startedAt: load.startedAt?.getTime() ?? null, endsAt: load.endsAt?.getTime() ?? null, endsText: clockText(ends, timeZone), finishedText: load.finishedAt ? `${dayAndYear(load.finishedAt, timeZone)}, ${clockText(load.finishedAt, timeZone)}` : '', serverNow: now.getTime(),
    asks: { catcher: checks.has('catcher-clear'), stains: checks.has('gone-dry'), size: checks.has('size-kept') },
    found: f ? [foundWords.catcher[f.catcher], foundWords.stains[f.stains], foundWords.size[f.size]].filter((w) => w !== '') : [],
  };
}
