/** What the household has, in groups: machines, places, cupboard, times, units; each with the way to its editor. */
import type { Household } from '@core/model/household.ts';
import { usableVolumeL } from '@core/washing/basin.ts';
import type { HouseholdView } from '@data/household.ts';
import { plural } from '../shared/words.ts';
import { productClassText } from './product-words.ts';

interface Item {
  href: string;
  name: string;
  text: string;
}
export interface Group {
  title: string;
  items: Item[];
  /** Said when there is nothing. */
  none: string;
  add: { href: string; words: string } | null;
}
const loadingWords = {
  front: 'front loader',
  'top-impeller': 'top loader',
  'top-agitator': 'top loader with a post',
} as const;
const round = (x: number): number => Math.round(x * 10) / 10;

export function groupsOf(view: HouseholdView, h: Household): Group[] {
  const { times = {}, tariff = {} } = view.document;
  const u = view.units;
  return [
    {
      title: 'Machines',
      items: h.washers.map((w) => ({
        href: `/household/washers/${w.id}`,
        name: w.name,
        text: [
          loadingWords[w.loading],
          `up to ${Math.max(0, ...w.programmes.map((p) => p.maxLoadKg))} kg`,
          plural(w.programmes.length, 'programme'),
          w.pricePerRun > 0 ? `${w.pricePerRun.toFixed(2)} ${h.tariff.currency} a run` : '',
        ]
          .filter(Boolean)
          .join(' · '),
      })),
      none: 'No machine: everything is washed by hand.',
      add: { href: '/household/washers/new', words: 'Add a machine' },
    },
    {
      title: 'Cupboard',
      items: h.products.map((p) => ({
        href: `/household/products/${p.id}`,
        name: `${p.name}${p.remaining === 0 ? ' (used up)' : ''}`,
        text: `${productClassText(p.class)}, ${p.form}${p.remaining !== null ? ` · ${Math.round(p.remaining)} ${p.dose?.unit ?? ''} left` : ''}`,
      })),
      none: 'Nothing in the cupboard: without a detergent nothing can be washed.',
      add: { href: '/household/products/new', words: 'Add a product' },
    },
    {
      title: 'Where things dry',
      items: h.dryingPlaces.map((d) => ({
        href: `/household/places/${d.id}`,
        name: d.name,
        text: [
          d.bars ? `${d.bars} bars of ${round(d.barLengthM)} m` : '',
          d.flatM2 ? `${d.flatM2} m² flat` : '',
          d.hangers ? plural(d.hangers, 'hanger') : '',
          d.outdoors ? 'outdoors' : '',
        ]
          .filter(Boolean)
          .join(' · '),
      })),
      none: 'No place to dry yet: plans cannot say how long it takes.',
      add: { href: '/household/places/new', words: 'Add a drying place' },
    },
    {
      title: 'Dryers',
      items: h.dryers.map((d) => ({
        href: `/household/dryers/${d.id}`,
        name: d.name,
        text: `${d.type.replace('-', ' ')} · ${d.maxLoadKg} kg${d.lowTemperature ? ' · low temperature' : ''}`,
      })),
      none: 'No dryer.',
      add: { href: '/household/dryers/new', words: 'Add a dryer' },
    },
    {
      title: 'Tubs for hand washing',
      items: h.basins.map((b) => ({
        href: `/household/basins/${b.id}`,
        name: b.name,
        text: `${round(usableVolumeL(b))} l to wash in`,
      })),
      none: 'No tub: what must be washed by hand has to wait.',
      add: { href: '/household/basins/new', words: 'Add a tub' },
    },
    {
      title: 'Times and units',
      items: [
        {
          href: '/household/times',
          name: 'Times',
          text:
            [
              times?.quietHours?.length ? `quiet ${times.quietHours.map((q) => q.join('–')).join(', ')}` : '',
              times?.away?.length ? plural(times.away.length, 'absence') : '',
              times?.slots?.length ? plural(times.slots.length, 'slot') : '',
              tariff?.cheapHours?.length ? `cheap ${tariff.cheapHours.map((q) => q.join('–')).join(', ')}` : '',
            ]
              .filter(Boolean)
              .join(' · ') || 'no quiet hours, nobody away',
        },
        {
          href: '/household/units',
          name: 'Units, money, time zone',
          text: `°${u.temperature} · ${u.mass} · ${u.length} · ${h.tariff.currency} · ${view.timeZone}`,
        },
      ],
      none: '',
      add: null,
    },
  ];
}
