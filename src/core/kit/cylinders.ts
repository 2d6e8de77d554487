import { refuse, type Refusal } from '../rules/refuse';
import type { SiteValues } from '../rules/values';

/** How oxygen is kept from fuel gas. */
export const APART_WAYS = {
  'no-oxygen': 'no oxygen beside fuel gas',
  distance: 'apart by a distance',
  wall: 'a wall of 1.5 m that stands half an hour of fire between them',
} as const;
export type ApartWay = keyof typeof APART_WAYS;

/** How cylinders got to where they stand. */
export const CYLINDER_LIFTS = {
  rolled: 'on a trolley',
  cradle: 'lifted in a cradle',
  slung: 'lifted by a sling or by the cap',
} as const;
export type CylinderLift = keyof typeof CYLINDER_LIFTS;

/** Least distance between oxygen and fuel gas (m). Source: 29 CFR 1910.253(b)(4)(iii), 20 ft, from memory. */
const APART_M = 6.1;
/** Least distance of anything that could light a leaking cylinder (m). Source: practice. */
const LEAK_CLEAR_M = 30;

/** Gas cylinders at a place of work, as somebody found them. What is left out counts as not so. */
export interface CylinderCheck {
  /** Whether there are any. */
  readonly here: boolean;
  /** Where they stand, or why there are none. */
  readonly where: string;
  readonly upright?: boolean | undefined;
  readonly capped?: boolean | undefined;
  /** No oil or grease at oxygen, its fittings and hands. */
  readonly clean?: boolean | undefined;
  readonly apart?: ApartWay | undefined;
  /** Between oxygen and fuel gas (m). */
  readonly apart_m?: number | undefined;
  /** From where it is cut or welded (m). */
  readonly off_m?: number | undefined;
  readonly lift?: CylinderLift | undefined;
  /** One that leaks: where it is now; none where this is left out. */
  readonly leaking?:
    | {
        readonly outdoors: boolean;
        readonly tagged: boolean;
        /** To the nearest thing that could light it (m). */
        readonly clear_m: number;
      }
    | undefined;
}

function refuseLeak({ leaking }: CylinderCheck): Refusal[] {
  if (!leaking) return [];
  const { outdoors, tagged, clear_m } = leaking;
  return outdoors && tagged && clear_m >= LEAK_CLEAR_M
    ? []
    : [refuse('cylinder-leaks', { least: LEAK_CLEAR_M })];
}

function refuseOxygen({ apart, apart_m = 0, clean }: CylinderCheck): Refusal[] {
  if (apart === 'no-oxygen') return [];
  const isApart = apart === 'wall' || (apart === 'distance' && apart_m >= APART_M);
  return [
    ...(isApart ? [] : [refuse('oxygen-beside-fuel', { least: APART_M })]),
    ...(clean ? [] : [refuse('oxygen-oily')]),
  ];
}

/** How they stand, in words: on the screen and on paper. */
export function sayCylinders({ here, where, off_m, apart }: CylinderCheck): string {
  if (!here) return `none: ${where}`;
  const off =
    off_m === undefined ? 'nobody measured how far from the work' : `${off_m} m from the work`;
  return `${where}, ${off}${apart ? `; oxygen and fuel gas: ${APART_WAYS[apart]}` : ''}`;
}

/** Everything that is wrong with the cylinders at a place. `isHot`: it is cut or welded there. */
export function refuseCylinders(
  check: CylinderCheck,
  values: SiteValues,
  isHot: boolean,
): Refusal[] {
  if (!check.here) return [];
  const { upright, capped, off_m = 0, lift } = check;
  const least = values['cylinders-off-m'];
  return [
    ...(upright ? [] : [refuse('cylinder-loose')]),
    ...(capped ? [] : [refuse('cylinder-uncapped')]),
    ...refuseOxygen(check),
    ...(isHot && off_m < least ? [refuse('cylinder-near', { off: off_m, least })] : []),
    ...(lift === 'rolled' || lift === 'cradle' ? [] : [refuse('cylinder-slung')]),
    ...refuseLeak(check),
  ];
}
