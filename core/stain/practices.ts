/** Household customs: how well each holds, and what to do instead. Harmful ones never become a step. */
export const evidenceGrades = ['strong', 'moderate', 'folk', 'harmful'] as const;
export type EvidenceGrade = (typeof evidenceGrades)[number];

export const practices = {
  'vinegar-sets-dye': {
    grade: 'folk',
  },
  'salt-sets-dye': {
    grade: 'folk',
  },
  'vinegar-lifts-bleed': {
    grade: 'folk',
  },
  'dye-trap-sheet': {
    grade: 'moderate',
  },
  'toothpaste-on-ink': {
    grade: 'harmful',
  },
  'hairspray-on-ink': {
    grade: 'folk',
  },
  'milk-on-ink': {
    grade: 'folk',
  },
  'alcohol-on-ballpoint': {
    grade: 'strong',
  },
  'salt-on-wine': {
    grade: 'folk',
  },
  'soda-water': {
    grade: 'folk',
  },
  'boiling-water-fruit': {
    grade: 'harmful',
  },
  'freeze-denim': {
    grade: 'folk',
  },
  'no-wash-denim': {
    grade: 'moderate',
  },
  'vinegar-softener': {
    grade: 'moderate',
  },
  'soda-with-vinegar': {
    grade: 'folk',
  },
  'baking-soda-whitens': {
    grade: 'folk',
  },
  'borax-booster': {
    grade: 'moderate',
  },
  'chlorine-plus-oxygen': {
    grade: 'harmful',
  },
  'chlorine-on-yellow': {
    grade: 'harmful',
  },
  'chlorine-whites': {
    grade: 'moderate',
  },
  'lemon-sun': {
    grade: 'moderate',
  },
  'hot-lemon-rust': {
    grade: 'moderate',
  },
  'dish-soap-grease': {
    grade: 'strong',
  },
  'talc-grease': {
    grade: 'strong',
  },
  'cold-ink-flush': { grade: 'strong' },
  'overnight-soak': {
    grade: 'folk',
  },
  'stain-out-all': {
    grade: 'folk',
  },
  'baby-shampoo-wool': {
    grade: 'moderate',
  },
  'bar-soap-wool': {
    grade: 'moderate',
  },
  'cold-presoak-wool': {
    grade: 'folk',
  },
  'essential-oil-ball': {
    grade: 'harmful',
  },
  'foil-ball': {
    grade: 'folk',
  },
  'soap-nuts': { grade: 'folk' },
  'home-soap': {
    grade: 'moderate',
  },
  'pod-presoak': {
    grade: 'harmful',
  },
} as const satisfies Record<string, { grade: EvidenceGrade }>;
export type PracticeId = keyof typeof practices;
