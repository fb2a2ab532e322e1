/** The plan as a play: what the planner would do with the same basket, so that both are looked at with the same eyes. */
import type { Plan, PlannedLoad } from '../model/plan.ts';
import { workplaceOf } from '../piece/pretreat.ts';
import { prepareSteps } from '../piece/care-steps.ts';
import { procedureFor } from '../stain/procedure.ts';
import { profileIn, type Scene } from './foretell.ts';
import { careByTheBook } from './marks.ts';
import { asides, markKey, type Aside, type DryWay, type MarkCare, type Play, type Way } from './play.ts';
import { helpersOf } from './ways.ts';

function wayOf(scene: Scene, load: PlannedLoad): Way {
  const helpers = new Set(helpersOf(scene.request.household).map((p) => p.id));
  const shared = {
    temperatureC: load.temperatureC,
    detergent: load.detergent?.product ?? '',
    helpers: load.additives.flatMap((a) => (helpers.has(a.product) ? [a.product] : [])),
  };
  return load.method === 'hand'
    ? { by: 'hand', basin: load.basin ?? '', ...shared }
    : {
        by: 'machine',
        washer: load.washer ?? '',
        programme: load.programme ?? '',
        spinRpm: load.spinRpm,
        ...shared,
      };
}
const isAside = (outcome: string): outcome is Aside => (asides as readonly string[]).includes(outcome);

/** `play` = whose tests these were. */
export function bestPlay(scene: Scene, plan: Plan, { tests }: Pick<Play, 'tests'>): Play {
  const workplace = workplaceOf(scene.request.household);
  const aside: Record<string, Aside> = {};
  const drying: Record<string, DryWay> = {};
  const marks: Record<string, MarkCare> = {};
  const nets: string[] = [];
  const insideOut: string[] = [];
  for (const g of plan.garments) {
    if (isAside(g.outcome)) aside[g.id] = g.outcome;
    const p = profileIn(scene, g.id);
    if (!p) continue;
    if (g.outcome === 'wash' || g.outcome === 'spot-clean')
      for (const s of p.garment.stains)
        marks[markKey(g.id, s.id)] = careByTheBook(s, procedureFor(p.garment, s, workplace));
    if (!g.load) continue;
    const byHand = plan.loads.find((l) => l.id === g.load)?.method === 'hand';
    const steps = prepareSteps(p, byHand);
    if (steps.includes('net') || steps.includes('net-no-metal')) nets.push(g.id);
    if (steps.includes('inside-out')) insideOut.push(g.id);
    const { dry } = g;
    if (!dry?.place) continue;
    if (dry.method === 'tumble-low' || dry.method === 'tumble-normal')
      drying[g.id] = { to: 'dryer', dryer: dry.place, heat: dry.method === 'tumble-low' ? 'low' : 'normal' };
    else drying[g.id] = { to: 'place', place: dry.place, position: dry.method };
  }
  return {
    tests,
    loads: plan.loads.map((l) => ({
      id: l.id,
      pieces: l.garments,
      way: wayOf(scene, l),
      pockets: true,
      closed: true,
    })),
    aside,
    marks,
    nets,
    insideOut,
    drying,
  };
}
