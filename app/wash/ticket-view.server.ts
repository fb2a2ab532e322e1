/** The ticket of one load, planned, running or finished. */
import { childLines } from '@core/chemistry/precautions.ts';
import { safetyWords, withPoisonCentre } from '@words/en/safety.ts';
import { dryMassG } from '@core/garment/mass.ts';
import { netNeed } from '@core/piece/nets.ts';
import { bandOf } from '@core/stain/score.ts';
import { mayJoinWithinMin } from '@core/board/join.ts';
import { walkDue } from '@core/run/walk-state.ts';
import { troubleAdvice, type Trouble } from '@core/run/trouble.ts';
import { garmentOf, householdOf, type HamperDocument } from '@formats/hamper.ts';
import { handTitles } from '@words/en/hand.ts';
import { bandWords } from '@words/en/treat.ts';
import { textOf } from '@words/text.ts';
import type { PlannedGarmentDocument } from '@formats/plan.ts';
import { listPieces, type Piece } from '@data/garments.ts';
import { findLoad, type LoadView } from '@data/loads.ts';
import { readHousehold } from '@data/household.ts';
import { stainNames } from '@words/en/things.ts';
import type { Scope } from '../server/request.server.ts';
import { notFound } from '../server/request.server.ts';
import { loadFacts, loadTitle, pieceRef, type LoadFacts, type PieceRef } from './load-view.server.ts';
import { devicesNow, type DeviceNow } from './device-now.server.ts';
import { looksOfLoad } from './inspect.server.ts';
import { machineView, type MachineView } from './machine-view.server.ts';
import { upkeepLine } from './upkeep-view.server.ts';
import { printView, type PrintView } from './print-view.server.ts';
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
  byHand: boolean;
  machine: MachineView;
  /** Of a plan beside the day's plan: washed again before it dries. */
  aside: boolean;
  trouble: { is: Trouble; advice: string[] } | null;
  /** When the machine had ended, if that is known. */
  ended: string | null;
  /** What its devices tell while it runs. */
  devices: DeviceNow[];
  /** Pieces of the basket that may have been forgotten; empty once it is too late. */
  forgotten: { id: string; name: string }[];
  /** How far a wash by hand is: "3 of 9: Soak". */
  walk: string | null;
  /** Questions nobody has answered yet. */
  openLooks: number;
  printed: PrintView;
  /** Care of the machine that is due; null = none. */
  upkeep: string | null;
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

function walkText({ walk, walkState, status }: LoadView): string | null {
  if (status !== 'running' || !walk || !walkState) return null;
  const due = walkDue(walk, walkState);
  return due ? `Step ${walkState.at + 1} of ${walk.steps.length}: ${handTitles[due.kind]}` : 'All steps done';
}

/** Every piece that was to be measured first has been, since the plan was made. */
function measuredNow(load: LoadView, pieces: readonly Piece[]): boolean {
  const wanted = load.plan.garments.filter((g) => load.load.garments.includes(g.id) && g.prepare.includes('measure'));
  const since = Date.parse(load.hamper.now);
  return (
    wanted.length > 0 &&
    wanted.every((g) => pieces.find((p) => p.row.id === g.id)?.state.measures.some((m) => Date.parse(m.at) >= since))
  );
}

export async function ticketView(scope: Scope, id: string): Promise<TicketView> {
  const { tx, now } = scope;
  const load = await findLoad(tx, id);
  if (!load) throw notFound('That load is not known here.');
  const facts = loadFacts(load.hamper, load.plan, load.load);
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
  const household = householdOf(load.hamper.household);
  const byHandNow = load.load.method === 'hand';
  const running = load.startedAt ? (now.getTime() - load.startedAt.getTime()) / 60_000 : 0;
  const product = home?.document.products?.find((p) => p.id === load.load.detergent?.product);
  return {
    children: home?.children
      ? childLines({ pod: product?.form === 'pod', tub: load.load.method === 'hand' }).map((id) =>
          withPoisonCentre(safetyWords[id], home.poisonCentre),
        )
      : [],
    nets: netText(load.hamper, planned, home?.nets ?? { all: 0, withoutMetal: 0 }),
    marks: planned.flatMap((g) =>
      g.pretreat.flatMap((t) => {
        const s = load.hamper.garments.find((x) => x.id === g.id)?.stains?.find((x) => x.id === t.stain);
        return s
          ? refOf(g.id).map((piece) => ({
              piece,
              text: `${stainNames[s.kind]}${s.place ? `, ${s.place}` : ''}: ${bandWords[bandOf(Math.round(t.odds * 100))]}`,
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
    ticked: measuredNow(load, pieces) ? [...new Set([...load.ticked, 'measure'])] : load.ticked,
    startedAt: load.startedAt?.getTime() ?? null,
    endsAt: load.endsAt?.getTime() ?? null,
    endsText: clockText(ends, timeZone),
    finishedText: load.finishedAt
      ? `${dayAndYear(load.finishedAt, timeZone)}, ${clockText(load.finishedAt, timeZone)}`
      : '',
    serverNow: now.getTime(),
    byHand: load.load.method === 'hand',
    machine: await machineView(scope, load, home, new Map(facts.adds.map((a) => [a.product, a.amount]))),
    aside: load.aside,
    trouble: load.trouble && {
      is: load.trouble,
      advice: troubleAdvice(load.trouble, {
        temperatureC: load.load.temperatureC,
        roomC: household.room.temperatureC,
      }).map(textOf),
    },
    ended: load.measured && clockText(new Date(load.measured.endedAt), timeZone),
    devices: load.status === 'running' ? await devicesNow(scope, load) : [],
    forgotten:
      load.status === 'running' && !byHandNow && running <= mayJoinWithinMin
        ? pieces
            .filter((p) => p.basket !== null && !load.load.garments.includes(p.row.id) && refs.has(p.row.id))
            .map((p) => ({ id: p.row.id, name: p.row.name }))
        : [],
    walk: walkText(load),
    openLooks: (await looksOfLoad(scope, load)).open.length,
    printed: printView(load, facts),
    upkeep: byHandNow || load.status === 'finished' ? null : await upkeepLine(scope, load.load.washer),
    rescue:
      f?.catcher === 'strong'
        ? `/rescue?${new URLSearchParams([['what', 'dye-transfer'], ...load.load.garments.map((g) => ['piece', g])]).toString()}`
        : null,
    found: f
      ? [foundWords.catcher[f.catcher], foundWords.stains[f.stains], foundWords.size[f.size]].filter((w) => w !== '')
      : [],
  };
}
