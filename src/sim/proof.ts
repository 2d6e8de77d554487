import type { Arrangement, ElectricalRound, ProofDemand, Seen } from '../core/proving';
import type { AsIs } from './as-is';
import { readFluid } from './fluid';
import { AROUND_C, readTemperature } from './heat';
import { listTrain, readSpeed } from './motion';
import { takeRound } from './tester';

/** What the stand-ins show at a proof. */
export interface Found {
  readonly reading: number;
  readonly seen: readonly Seen[];
  readonly round?: ElectricalRound;
}

/** How the tester is used. */
export interface Testing {
  readonly arrangement: Arrangement;
  readonly instrument: string;
  readonly source_v: number;
}

const thousandth = (value: number) => Math.round(value * 1000) / 1000;

/** Within this (K) of its surroundings a part is as warm as what stands about. Made up for practice. */
const AS_WARM_K = 10;

/** Whether every store of a drive that is released by a restraint is held. */
function isRestrained(plant: AsIs, section: number): boolean {
  const train = listTrain(plant, section);
  return plant.graph.stores
    .filter(({ store, section: at }) => store.release === 'restrain' && train.has(at))
    .every(({ store }) => plant.positions.restrained.has(store.id));
}

/** What of `asked` someone would see who looks at a section of fluid. */
function lookFor(plant: AsIs, section: number, asked: readonly Seen[]): Seen[] {
  const { flows, isClear, metres } = readFluid(plant, section);
  const isSeen: Readonly<Record<Seen, boolean>> = {
    'bleed-clear': isClear,
    'no-flow': !flows,
    'no-level': metres === 0,
    ambient: Math.abs(readTemperature(plant, section) - AROUND_C) <= AS_WARM_K,
    'standing-still': readSpeed(plant, section) === 0,
    'restraint-in': isRestrained(plant, section),
    // Whether a screen stands is for eyes on the spot.
    'live-parts-screened': false,
  };
  return asked.filter((one) => isSeen[one]);
}

/** Reads the stand-in plant for a proof: the gauge or the whole round, and what there is to see. */
export function readProof(plant: AsIs, proof: ProofDemand, testing: Testing): Found {
  const section = plant.graph.sectionAt.get(proof.section) ?? -1;
  const seen = lookFor(plant, section, proof.sees);
  switch (proof.kind) {
    case 'voltage': {
      const { arrangement, instrument, source_v } = testing;
      const round = takeRound(plant, section, arrangement, instrument, source_v);
      return { reading: Math.max(...Object.values(round.readings)), seen, round };
    }
    case 'pressure':
      return { reading: thousandth(readFluid(plant, section).bar), seen };
    case 'level':
      return { reading: thousandth(readFluid(plant, section).metres), seen };
    case 'motion':
      return { reading: readSpeed(plant, section), seen };
    case 'temperature':
      return { reading: readTemperature(plant, section), seen };
  }
}
