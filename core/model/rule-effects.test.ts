import { describe, expect, test } from '@jest/globals';
import { household } from '../testing/arbitrary.ts';
import { houseRules, type HouseRuleKey, type HouseRules } from './household.ts';
import { dryerAllowed, effectOf, type RuleEffects } from './rule-effects.ts';

/** Rules whose options are tables beside the code that uses them. */
const elsewhere: readonly HouseRuleKey[] = ['colourPiles', 'priority'];
const rulesWith = (rule: HouseRuleKey, option: string): HouseRules => ({ ...household.rules, [rule]: option });

describe('what options do', () => {
  const keys = (Object.keys(houseRules) as HouseRuleKey[]).filter((k) => !elsewhere.includes(k));
  test.each(keys)('%s: every option has an effect, and no two the same', (rule) => {
    const said = houseRules[rule].map((o) => JSON.stringify(effectOf(rulesWith(rule, o), rule as keyof RuleEffects)));
    expect(said).not.toContain(undefined);
    expect(new Set(said).size).toBe(said.length);
  });
  test('the dryer: nothing, towels, or all that label and cloth allow', () => {
    const allowed = houseRules.tumble.map((o) => [true, false].map((towel) => dryerAllowed({ tumble: o }, towel)));
    expect(allowed).toEqual([
      [false, false],
      [true, false],
      [true, true],
    ]);
  });
  test('denim: 30 °C cold, its label’s own, 40 °C for contrast; raw denim leaves 30 °C for contrast alone', () => {
    expect(houseRules.denim.map((denim) => effectOf({ denim }, 'denim'))).toEqual([
      { maxTemperatureC: 30, rawTemperatureC: 30, contrastTemperatureC: 0 },
      { maxTemperatureC: null, rawTemperatureC: 30, contrastTemperatureC: 0 },
      { maxTemperatureC: 40, rawTemperatureC: 40, contrastTemperatureC: 40 },
    ]);
  });
  test('kitchen linen: apart at any heat, below 60 °C, never', () => {
    expect(houseRules.kitchenLinen.map((k) => effectOf({ kitchenLinen: k }, 'kitchenLinen').apartBelowC)).toEqual([
      Infinity,
      60,
      0,
    ]);
  });
  test('whites: oxygen and chlorine, neither, or both; softener and vinegar each in their place', () => {
    expect(houseRules.whites.map((whites) => Object.values(effectOf({ whites }, 'whites')))).toEqual([
      [true, false],
      [false, false],
      [true, true],
    ]);
    expect(houseRules.softening.map((s) => effectOf({ softening: s }, 'softening').helper)).toEqual([
      null,
      'vinegar',
      'softener',
    ]);
  });
});
