/** Customs, safety lines, first aid and urgent help in words. */
import { describe, expect, test } from '@jest/globals';
import { practices, type PracticeId } from '@core/stain/practices.ts';
import { stainKinds } from '@core/stain/stains.ts';
import { agentWords } from './agents.ts';
import { firstAidWords } from './first-aid.ts';
import { findPractices, practiceWords } from './practices.ts';
import { rescueWords } from './rescue.ts';
import { ppeWords, safetyTexts, safetyWords, withPoisonCentre } from './safety.ts';

test('customs are found by their words; harmful ones say do not', () => {
  expect(findPractices('salt on red wine')[0]).toBe('salt-on-wine');
  expect(findPractices('vinegar soda')).toContain('soda-with-vinegar');
  expect(findPractices('x')).toEqual([]);
  for (const [id, { answer }] of Object.entries(practiceWords)) {
    if (practices[id as PracticeId].grade === 'harmful') expect(answer).toMatch(/^(Do not|Never|Not )/);
    expect(answer).not.toMatch(/[§`]|refuse:|software/);
  }
});
describe('safety lines', () => {
  test('the poison centre by its number, or the local one', () => {
    const text = 'Call the poison centre or the emergency number.';
    expect(withPoisonCentre(text, '555 0100')).toBe('Call the poison centre (555 0100) or the emergency number.');
    expect(withPoisonCentre(text, null)).toBe('Call your local poison centre or the emergency number.');
  });
  test('each line as it is shown', () => {
    expect(safetyTexts(['tub-child', 'eyes'], '555 0100')).toEqual([
      { id: 'tub-child', text: 'Cover or lock the tub. A child can drown in little water.' },
      {
        id: 'eyes',
        text: 'If it gets in the eyes: rinse with lukewarm water for 15 min and call the poison centre (555 0100).',
      },
    ]);
    // Emergency texts are fixed.
    expect(safetyWords['bleach-gas']).toBe(
      'If you smell gas: leave, air the room, stay out. Call the poison centre or emergency number.',
    );
    expect(ppeWords['ppe-gloves-eye-vent']).toContain('open windows');
  });
});
test('first aid, urgent help and agents have words for everything', () => {
  for (const kind of stainKinds) expect(firstAidWords[kind].length).toBeGreaterThan(8);
  for (const { title, now, never } of Object.values(rescueWords)) {
    expect(title).not.toBe('');
    expect([now.length, never.length].every((n) => n > 0)).toBe(true);
  }
  expect(agentWords['chlorine-bleach'].hazards).not.toBe('');
});
