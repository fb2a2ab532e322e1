/** The pressing queue as its screen shows it. */
import { forecastDrying } from '@core/rack/forecast.ts';
import { pressedAsShirt, pressQueue, rightForIron, type PressPiece } from '@core/pressing/queue.ts';
import { ironNames } from '@words/en/names.ts';
import { moistWords, noPressWords } from '@words/en/rack.ts';
import { readRack, type WetPiece } from '@data/rack.ts';
import { waitsForIron } from '../dry/rack.server.ts';
import type { Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { durationText, numberWord } from '../shared/words.ts';
import type { ClothView } from '../ui/fold.tsx';

export interface PressStepView {
  id: string;
  name: string;
  cloth: ClothView;
  /** "150 °C" */
  plate: string;
  iron: string;
  how: string;
  time: string;
  shirt: boolean;
}
export interface PressView {
  title: string;
  lead: string;
  steps: PressStepView[];
  not: { id: string; name: string; why: string; looksHref: string | null }[];
  toPutAway: number;
}
export async function pressView({ tx, now }: Scope): Promise<PressView | null> {
  const rack = await readRack(tx, now);
  if (!rack) return null;
  const hanging = rack.drying.filter((p) => p.hungMs !== null);
  const moisture = new Map(forecastDrying(hanging, rack.surroundings).pieces.map((f) => [f.id, f.moisture]));
  const dampNow = hanging.filter((p) => rightForIron(p.profile, moisture.get(p.id) ?? 1));
  const pieces = [...rack.dry.filter((p) => p.row.pressedAt === null), ...dampNow];
  const byId = new Map(pieces.map((p) => [p.id, p] as const));
  const queue = pressQueue(
    pieces.map((p): PressPiece => ({
      id: p.id,
      profile: p.profile,
      moisture: moisture.get(p.id) ?? p.moisture,
      markOpen: p.marked,
    })),
  );
  const piece = (id: string): WetPiece => byId.get(id) as WetPiece;
  return {
    title: `${numberWord(queue.steps.length)} ${queue.steps.length === 1 ? 'piece' : 'pieces'} to press`,
    lead: `About ${durationText(queue.handsMin)} for your hands and ${durationText(queue.waitMin)} for the plate, from the coolest to the hottest${
      queue.worstWaitMin > queue.waitMin + 1
        ? `; the other way round the plate alone would take ${durationText(queue.worstWaitMin)}`
        : ''
    }.`,
    steps: queue.steps.map((s) => {
      const p = piece(s.id);
      const how = [
        s.press.insideOut ? 'inside out' : '',
        s.press.pressCloth && s.moistBy !== 'damp-cloth' ? 'under a press cloth' : '',
        s.sprayMl > 0 ? `${moistWords[s.moistBy]} with about ${s.sprayMl} ml` : moistWords[s.moistBy],
        p.row.dryAt === null ? 'straight off the line' : '',
      ].filter(Boolean);
      return {
        id: s.id,
        name: p.piece.row.name,
        cloth: clothOf(p.piece.row),
        plate: `${s.plateC} °C`,
        iron: ironNames[s.press.iron],
        how: `${how.join(', ').replace(/^./, (c) => c.toUpperCase())}.`,
        time: `${durationText(s.minutes)}${s.waitMin >= 0.5 ? `, plate ready after ${durationText(s.waitMin)}` : ''}`,
        shirt: pressedAsShirt(p.profile),
      };
    }),
    not: queue.not
      .filter((n) => n.why !== 'needs-none')
      .map((n) => ({
        id: n.id,
        name: piece(n.id).piece.row.name,
        why: noPressWords[n.why],
        looksHref: n.why === 'mark' ? `/loads/${piece(n.id).row.loadId}/inspect` : null,
      })),
    toPutAway: rack.dry.filter((p) => !waitsForIron(p)).length,
  };
}
