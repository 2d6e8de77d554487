import { z } from 'zod';
import { substanceOf, type SubstanceCode } from '../gas';
import type { Equipment } from '../plant';

/** What the plant file says of a space; anything further in it is kept and not read. */
const spaceSchema = z.object({
  kind: z.string().optional(),
  volume_m3: z.number().gt(0).optional(),
  depth_m: z.number().min(0).optional(),
  /** Walls or a floor that lead inward to where someone is caught. */
  converging: z.boolean().optional(),
});

/** A space that people enter, as far as the drawing says. */
export interface Space {
  readonly id: string;
  readonly name: string;
  readonly volume_m3: number | undefined;
  readonly depth_m: number | undefined;
  readonly converging: boolean;
}

/** Deeper than this a mechanical device is asked for to get people out (m). Source: 29 CFR 1910.146(k)(3)(ii): more than 5 ft. */
export const DEPTH_FOR_DEVICE_M = 1.5;

/** The space of a piece of equipment; undefined when it has none. What does not fit is left out: then it is typed. */
export function readSpace({ id, name, space }: Equipment): Space | undefined {
  if (!space) return undefined;
  const read = spaceSchema.safeParse(space);
  const { volume_m3, depth_m, converging = false } = read.success ? read.data : {};
  return { id, name, volume_m3, depth_m, converging };
}

/** A danger of a space, and what brings it. */
export interface SpaceHazard {
  readonly kind: 'atmosphere' | 'engulfment' | 'converging' | 'other';
  readonly why: string;
}

/** A body that can come into a space. */
export interface SpaceBody {
  readonly name: string;
  readonly phase: string;
  readonly hazards: readonly string[];
  readonly gases?: readonly SubstanceCode[] | undefined;
}

const isBad = (gas: SubstanceCode): boolean => {
  const { lfl, day_ppm, peak_ppm } = substanceOf(gas);
  return lfl !== undefined || day_ppm !== undefined || peak_ppm !== undefined || gas === 'nitrogen';
};

/**
 * Dangers that make an entry one by permit: an atmosphere that may be bad, something that can drown or bury, walls that lead inward, any
 * other serious danger. What the drawing leaves open counts as the worst. Source: 29 CFR 1910.146(b), permit-required confined space.
 */
export function classifySpace(
  space: Pick<Space, 'converging'> | undefined,
  bodies: readonly SpaceBody[],
  otherSources: readonly string[],
): SpaceHazard[] {
  const atmosphere = bodies.filter(
    ({ hazards, gases }) =>
      hazards.some((hazard) => ['flammable', 'toxic', 'asphyxiant'].includes(hazard)) ||
      gases?.some(isBad) === true,
  );
  const drowning = bodies.filter(({ phase }) => phase === 'liquid' || phase === 'solid');
  return [
    ...atmosphere.map(({ name }) => ({ kind: 'atmosphere' as const, why: name })),
    ...drowning.map(({ name }) => ({ kind: 'engulfment' as const, why: name })),
    ...(space === undefined
      ? [
          {
            kind: 'converging' as const,
            why: 'the drawing says nothing of the space: assumed worst',
          },
        ]
      : space.converging
        ? [{ kind: 'converging' as const, why: 'its walls lead inward' }]
        : []),
    ...otherSources.map((why) => ({ kind: 'other' as const, why })),
  ];
}
