/** What is dry and not yet in the cupboard, with what each piece asks for before it is shut in. */
import { awayStepsOf, type AwayStep } from '@core/away/away.ts';
import { whenLight } from '@core/rack/reminders.ts';
import { judgeAfterMin } from '@core/rack/forecast.ts';
import { awayWords } from '@words/en/rack.ts';
import { readRack, type WetPiece } from '@data/rack.ts';
import { waitsForIron } from '../dry/rack.server.ts';
import type { Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { clockText, numberWord } from '../shared/words.ts';
import type { ClothView } from '../ui/fold.tsx';

export interface AwayView {
  title: string;
  toPress: number;
  /** Pieces with a mark that nobody has seen gone on dry cloth. */
  marked: { id: string; name: string; href: string }[];
  light: string;
  groups: {
    id: 'fold' | 'hang';
    title: string;
    pieces: { id: string; name: string; owner: string; cloth: ClothView; steps: string[]; detached: string | null }[];
  }[];
}
/** Said by the heading already. */
const plain: readonly AwayStep[] = ['fold', 'hang'];
const minute = 60_000;

export async function awayView({ tx, now }: Scope): Promise<AwayView | null> {
  const rack = await readRack(tx, now);
  if (!rack) return null;
  const marked = rack.dry.filter((p) => p.marked);
  const ready = rack.dry.filter((p) => !p.marked && !waitsForIron(p));
  const light = whenLight(now.getTime(), rack.clock.localHour, rack.clock.monthOf);
  const stepsOf = (p: WetPiece): AwayStep[] => {
    const { hotC, dryAt } = p.row;
    const hot =
      hotC !== null &&
      dryAt !== null &&
      now.getTime() - dryAt.getTime() < judgeAfterMin(hotC, rack.household.room.temperatureC) * minute;
    return awayStepsOf(p.profile, {
      detached: p.piece.state.detached !== null,
      mend: p.piece.state.mend !== null,
      children: rack.view.children,
      hot,
    });
  };
  const wordsOf = (p: WetPiece, step: AwayStep): string => {
    if (step === 'refit') return `${awayWords.refit}: ${p.piece.state.detached ?? ''}.`;
    return step === 'mend' ? `${awayWords.mend}: ${p.piece.state.mend ?? ''}.` : awayWords[step];
  };
  const groups = (['fold', 'hang'] as const).map((id) => ({
    id,
    title: id === 'fold' ? 'To fold' : 'To hang',
    pieces: ready
      .filter((p) => stepsOf(p).includes('fold') === (id === 'fold'))
      .map((p) => ({
        id: p.id,
        name: p.piece.row.name,
        owner: p.piece.row.owner,
        cloth: clothOf(p.piece.row),
        detached: p.piece.state.detached,
        steps: stepsOf(p)
          .filter((s) => !plain.includes(s))
          .map((s) => wordsOf(p, s)),
      })),
  }));
  return {
    title:
      ready.length === 0
        ? 'Nothing to put away yet'
        : `${numberWord(ready.length)} ${ready.length === 1 ? 'piece' : 'pieces'} to put away`,
    toPress: rack.dry.filter((p) => waitsForIron(p) && !p.marked).length,
    marked: marked.map((p) => ({ id: p.id, name: p.piece.row.name, href: `/loads/${p.row.loadId}/inspect` })),
    light:
      light > now.getTime()
        ? `It is dark now: by lamp light a mark looks gone. From ${clockText(new Date(light), rack.view.timeZone)}, by the window:`
        : 'By the window, in daylight:',
    groups: groups.filter((g) => g.pieces.length > 0),
  };
}
