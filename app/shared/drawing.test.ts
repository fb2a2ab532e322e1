import { describe, expect, test } from '@jest/globals';
import { garmentKinds } from '@core/garment/kinds.ts';
import { isSize, placesOf } from '@core/garment/measures.ts';
import { drawingOf } from './drawing.ts';
import { drawingFacts, drawings, nearestZone, type DrawingId } from '../ui/drawing/drawings.ts';

const ids = Object.keys(drawings) as DrawingId[];

describe('drawings', () => {
  test('every place lies on its drawing, has a name of its own, and is found by a tap on it', () => {
    for (const id of ids) {
      const { zones, height } = drawingFacts(id);
      expect(new Set(zones.map((z) => z.name)).size).toBe(zones.length);
      for (const z of zones) {
        expect([z.x >= 0, z.x <= 100, z.y >= 0, z.y <= height]).toEqual([true, true, true, true]);
        expect(nearestZone(id, z).name).toBe(z.name);
      }
      expect(new Set(zones.map((z) => z.side))).toEqual(new Set(['front', 'back']));
    }
  });
  test('left and right as worn: on the front the left sleeve is at the right of the drawing, behind at its left', () => {
    expect(nearestZone('shirt', { side: 'front', x: 90, y: 45 }).name).toBe('left sleeve');
    expect(nearestZone('shirt', { side: 'back', x: 10, y: 45 }).name).toBe('left sleeve, behind');
    expect(nearestZone('tee', { side: 'front', x: 52, y: 34 }).name).toBe('chest');
  });
  test('each size that a kind is measured by has its line on the drawing, and no two numbers meet', () => {
    for (const kind of garmentKinds) {
      const { lines } = drawingFacts(drawingOf(kind));
      const shown = placesOf(kind)
        .filter((place) => isSize({ place }))
        .map((place) => ({ place, line: lines[place] }));
      expect(shown.filter((s) => s.line === undefined).map((s) => `${kind} ${s.place}`)).toEqual([]);
      // A number is about 22 wide and 5 high.
      const boxes = shown.flatMap((s) => (s.line ? [{ x: s.line[4], y: s.line[5], place: s.place }] : []));
      for (const a of boxes)
        for (const b of boxes)
          if (a.place < b.place)
            expect(Math.abs(a.x - b.x) < 22 && Math.abs(a.y - b.y) < 5 ? [kind, a.place, b.place] : []).toEqual([]);
    }
  });
});
