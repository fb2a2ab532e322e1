/** Everything that may go wrong with a piece in a round of practice, as a table: what it costs of the piece, which skill it belongs to. */

export const skills = ['labels', 'fibres', 'dye', 'marks', 'loads', 'drying', 'safety'] as const;
export type Skill = (typeof skills)[number];

interface EffectFacts {
  skill: Skill;
  /** Share of the piece's value that is lost when it happens (estimates). */
  lossShare: number;
  /** Work that follows, EUR: another wash, another hour on the rack. */
  againEur: number;
  /** It cannot be undone. */
  lasting: boolean;
}
const facts = (skill: Skill, lossShare: number, againEur: number, lasting: boolean): EffectFacts => ({
  skill,
  lossShare,
  againEur,
  lasting,
});

// prettier-ignore
export const effects = {
  // effect                     skill      loss  again  lasting
  shrunk:        facts('fibres',  0.5,  0,    true),
  felted:        facts('fibres',  0.8,  0,    true),
  tinted:        facts('dye',     0.5,  0,    true),
  harmed:        facts('labels',  0.5,  0,    true),
  snagged:       facts('labels',  0.2,  0,    true),
  faded:         facts('dye',     0.01, 0,    true),
  'mark-stays':  facts('marks',   0.05, 1,    false),
  'mark-set':    facts('marks',   0.5,  0,    true),
  'mark-harmed': facts('marks',   0.5,  0,    true),
  'not-clean':   facts('loads',   0,    1.5,  false),
  'left-dirty':  facts('loads',   0,    3,    false),
  mixed:         facts('loads',   0,    0.5,  false),
  needless:      facts('loads',   0.01, 0.5,  false),
  crowded:       facts('loads',   0,    0.5,  false),
  tissue:        facts('labels',  0,    0.5,  false),
  creased:       facts('loads',   0,    0.2,  false),
  musty:         facts('drying',  0,    1.5,  false),
  stretched:     facts('drying',  0.3,  0,    true),
  bleached:      facts('drying',  0.1,  0,    true),
} as const satisfies Record<string, EffectFacts>;
export type EffectKind = keyof typeof effects;
