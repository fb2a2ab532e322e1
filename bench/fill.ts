/** Fill the demo household's basket with made-up pieces. By itself: `node --import tsx bench/fill.ts 300`, with DATABASE_URL. */
import { putInBasket, takeFromBasket, emptyState } from '@data/basket.ts';
import { closeDatabase, inHousehold } from '@data/client.ts';
import { demoHouseholdId } from '@data/demo/id.ts';
import { addGarment, listPieces } from '@data/garments.ts';
import { basketOfSize } from './baskets.ts';

/** The basket holds `size` made-up pieces and nothing else. */
export async function fillBasket(size: number): Promise<void> {
  await inHousehold(demoHouseholdId, async (tx) => {
    const known = new Set((await listPieces(tx)).map((p) => p.row.id));
    await takeFromBasket(tx, [...known]);
    for (const g of basketOfSize(size, 1).garments) {
      const id = `bench-${size}-${g.id}`;
      if (!known.has(id))
        await addGarment(tx, demoHouseholdId, id, {
          name: g.name,
          heightCm: null,
          owner: '',
          kind: g.kind,
          size: g.size ?? 'M',
          parts: g.parts,
          traits: g.features ?? [],
          colours: g.colours,
          dye: g.dye ?? 'unknown',
          label: g.label ?? null,
          dryMassG: g.dryMassG ?? null,
          use: null,
          count: 1,
          set: null,
          valueEur: g.valueEur ?? 20,
        });
      await putInBasket(tx, demoHouseholdId, id, {
        ...emptyState,
        soil: g.soil ?? 'normal',
        activity: g.worn?.activity ?? 'normal',
        stains: g.stains ?? [],
      });
    }
  });
}

if (process.argv[1]?.endsWith('fill.ts')) {
  await fillBasket(Number(process.argv[2] ?? 300));
  await closeDatabase();
}
