import { findFurthest, SPARK_WORKS } from '../hotwork/sparks';
import { bySite, choice, defineCalculation, figure, number } from './define';
import { namesOf, NOT_NEGATIVE } from './fields';

const HEIGHTS_DRAWN = 24;

/** How far sparks come, and the radius that follows. */
export const sparks = defineCalculation(
  {
    id: 'sparks',
    title: 'How far sparks come',
    question: 'How far do the sparks of this job come, and how far must things that burn be?',
    answer: 'Keep {R} clear all round.',
    about:
      'By the work, its height over the floor and the wind: where sparks come down, and the radius to be kept clear.',
    formula: [
      'm dv/dt = m g - ½ rho Cd A |v - w| (v - w)',
      'Cd = 24 / Re (1 + 0.15 Re^0.687), 0.44 above 1000',
      'radius = max(site, distance + roll)',
    ],
    source:
      'Equation of motion of a sphere, drag after Schiller and Naumann (1933); speeds of sparks practice; 11 m NFPA 51B and 29 CFR 1910.252(a)(2)(vii)',
    caution:
      'The radius is level: gratings, ducts and floor openings let sparks down below and need a look of their own. Sparks bounce, roll and stay hot under lagging. Better to do it cold, or elsewhere.',
    fields: {
      work: choice('Work', namesOf(SPARK_WORKS), 'grinding'),
      height: number('Height over the floor', 'h', 'length', 'm', 4, { atLeast: 0, atMost: 200 }),
      wind: number('Wind', 'w', 'speed', 'm/s', 3, { atLeast: 0, atMost: 40 }),
      roll: number('Roll and bounce', 'r', 'length', 'm', 3, { ...NOT_NEGATIVE, atMost: 50 }),
      least: bySite(
        number('Radius by the site’s rule', 'Rs', 'length', 'm', 11, { atLeast: 11, atMost: 50 }),
        'hot-work-radius-m',
      ),
    },
  },
  ({ work, height, wind, roll, least }) => {
    const from = Math.max(height, 0.1);
    const { metres, diameter } = findFurthest(work, from, wind);
    const radius = Math.max(least, metres + roll);
    return {
      figures: [
        figure('Radius to be kept clear', 'R', radius, 'length', 'm', true),
        figure('Furthest spark comes down at', 'd', metres, 'length', 'm'),
        figure('Its size', 'ds', diameter, 'length', 'mm'),
      ],
      notes: [
        radius > least
          ? 'Further than the site’s rule: the larger counts.'
          : 'Within the site’s rule, which stays the least.',
        ...(height > 2 ? ['Above 2 m: close off or watch everything below as well.'] : []),
      ],
      curve: {
        x: { label: 'height over the floor', quantity: 'length', unit: 'm' },
        y: { label: 'comes down at', quantity: 'length', unit: 'm' },
        points: Array.from({ length: HEIGHTS_DRAWN + 1 }, (_, step) => {
          const at = 0.1 + (2 * Math.max(from, 1) * step) / HEIGHTS_DRAWN;
          return [at, findFurthest(work, at, wind).metres] as const;
        }),
      },
    };
  },
);
