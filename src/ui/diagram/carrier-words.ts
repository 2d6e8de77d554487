import type { Carrier } from '../../core/plant';

/** What a lane is called, on a diagram and in an area. */
export const CARRIER_WORDS: Readonly<Record<Carrier, string>> = {
  current: 'Electrical',
  motion: 'Mechanical',
  fluid: 'Fluids',
  heat: 'Heat',
  radiation: 'Radiation',
};
