/** The ticket of one load, planned, running or finished. */
import { childLines, withPoisonCentre } from '@core/chemistry/precautions.ts';
import { dryMassG } from '@core/garment/mass.ts';
import { netNeed } from '@core/piece/nets.ts';
import { bandOf } from '@core/stain/score.ts';
import { stainFacts } from '@core/stain/stains.ts';
import { garmentOf, type HamperDocument } from '@formats/hamper.ts';
import type { PlannedGarmentDocument } from '@formats/plan.ts';
import { listPieces } from '@data/garments.ts';
import { findLoad } from '@data/loads.ts';
import { readHousehold } from '@data/household.ts';
import type { Scope } from '../server/request.server.ts';
import { notFound } from '../server/request.server.ts';
import { loadFacts, loadTitle, pieceRef, type LoadFacts, type PieceRef } from './load-view.server.ts';
import { clockText, dayAndYear, numberWord } from '../shared/words.ts';

export interface TicketView {
  id: string;
  title: string;
  subtitle: string;
  status: 'planned' | 'running' | 'finished';
  facts: LoadFacts;
  ticked: string[];
  startedAt: number | null;
  endsAt: number | null;
  endsText: string;
  finishedText: string;
  serverNow: number;
  asks: { catcher: boolean; stains: boolean; size: boolean };
  /** The catcher was asked for and nobody looked yet. */
  readLater: boolean;
  /** Strong colour in the water: where the first minutes are told, with these pieces. */
  rescue: string | null;
  found: string[];
  nets: string | null;
  /** What to keep from children, where they are about. */
  children: string[];
  /** Marks to treat before this load, with what is known of them. */
  marks: { piece: PieceRef; text: string; steps: number }[];
  /** What asks to be mended first. */
  mend: { piece: PieceRef; text: string }[];
  /** Pieces with parts that come off, and where those lie. */
  parts: { piece: PieceRef; lies: string | null }[];
}

const foundWords = {
  catcher: { clear: 'Catcher clear', trace: 'Catcher: a trace of colour', strong: 'Catcher: strong colour', none: '' },
  stains: { gone: 'Stains gone', left: 'Stains still there', none: '' },
  size: { kept: 'Size kept', changed: 'Size changed', 'not-looked': '' },
} as const;

/** "Three nets, one of them without metal", and what is missing. */
function netText(
  hamper: HamperDocument,
  planned: readonly PlannedGarmentDocument[],
  have: { all: number; withoutMetal: number },
): string | null {
  const netted = planned.flatMap((g) => {
    const doc = hamper.garments.find((x) => x.id === g.id);
    const withoutMetal = g.prepare.includes('net-no-metal');
    return doc && (withoutMetal || g.prepare.includes('net'))
      ? [{ massKg: dryMassG(garmentOf(doc)) / 1000, withoutMetal }]
      : [];
  });
  const need = netNeed(netted, have.all, have.withoutMetal);
  if (need.nets === 0) return null;
  const short =
    need.missingWithoutMetal > 0
      ? ` You have ${have.withoutMetal} without metal: take a tied pillowcase for the rest.`
      : need.missing > 0
        ? ` You have ${have.all}: take tied pillowcases for the rest.`
        : '';
  return `${numberWord(need.nets)} ${need.nets === 1 ? 'net' : 'nets'}${need.withoutMetal > 0 ? `, ${need.withoutMetal === need.nets ? (need.nets === 1 ? 'without metal' : 'all without metal') : `${numberWord(need.withoutMetal).toLowerCase()} without metal`}` : ''}.${short}`;
}

export async function ticketView({ tx, now }: Scope, id: string): Promise<TicketView> {
  const load = await findLoad(tx, id);
  if (!load) throw notFound('That load is not known here.');
  const facts = loadFacts(load.hamper, load.plan, load.load);
  const checks = new Set(facts.procedure.map((s) => s.check?.code));
  const f = load.findings;
  const ends = load.endsAt ?? new Date(now.getTime() + load.load.durationMin * 60_000);
  const home = await readHousehold(tx);
  const timeZone = home?.timeZone ?? 'UTC';
  const pieces = await listPieces(tx);
  const planned = load.plan.garments.filter((g) => load.load.garments.includes(g.id));
  const refs = new Map(load.hamper.garments.map((g) => [g.id, pieceRef(g)]));
  const refOf = (gid: string): PieceRef[] => {
    const r = refs.get(gid);
    return r ? [r] : [];
  };
  const product = home?.document.products?.find((p) => p.id === load.load.detergent?.product);
  return {
    children: home?.children
      ? childLines({ pod: product?.form === 'pod', tub: load.load.method === 'hand' }).map((l) =>
          withPoisonCentre(l.text, home.poisonCentre),
        )
      : [],
    nets: netText(load.hamper, planned, home?.nets ?? { all: 0, withoutMetal: 0 }),
    marks: planned.flatMap((g) =>
      g.pretreat.flatMap((t) => {
        const s = load.hamper.garments.find((x) => x.id === g.id)?.stains?.find((x) => x.id === t.stain);
        return s
          ? refOf(g.id).map((piece) => ({
              piece,
              text: `${stainFacts(s.kind).name}${s.place ? `, ${s.place}` : ''}: ${bandOf(Math.round(t.odds * 100)).text}`,
              steps: t.steps.length,
            }))
          : [];
      }),
    ),
    mend: planned.flatMap((g) => {
      const text = pieces.find((p) => p.row.id === g.id)?.state.mend;
      return text ? refOf(g.id).map((piece) => ({ piece, text })) : [];
    }),
    parts: planned
      .filter((g) => g.prepare.includes('detach'))
      .flatMap((g) =>
        refOf(g.id).map((piece) => ({ piece, lies: pieces.find((p) => p.row.id === g.id)?.state.detached ?? null })),
      ),
    id: load.id,
    title: loadTitle(facts),
    subtitle: `${facts.card.subtitle}, ${facts.card.fillText} · load ${load.number + 1} of ${load.plan.loads.length}`,
    status: load.status,
    facts,
    ticked: load.ticked,
    startedAt: load.startedAt?.getTime() ?? null,
    endsAt: load.endsAt?.getTime() ?? null,
    endsText: clockText(ends, timeZone),
    finishedText: load.finishedAt
      ? `${dayAndYear(load.finishedAt, timeZone)}, ${clockText(load.finishedAt, timeZone)}`
      : '',
    serverNow: now.getTime(),
    asks: { catcher: checks.has('catcher-clear'), stains: checks.has('gone-dry'), size: checks.has('size-kept') },
    readLater: load.status === 'finished' && checks.has('catcher-clear') && f?.catcher === 'none',
    rescue:
      f?.catcher === 'strong'
        ? `/rescue?${new URLSearchParams([['what', 'dye-transfer'], ...load.load.garments.map((g) => ['piece', g])]).toString()}`
        : null,
    found: f
      ? [foundWords.catcher[f.catcher], foundWords.stains[f.stains], foundWords.size[f.size]].filter((w) => w !== '')
      : [],
  };
}
