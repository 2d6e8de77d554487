import { z } from 'zod';

const id = z.string().trim().min(1).max(80);

/** What may be wrong with the plant, a tester or the cabinet without anyone having written it down. */
export const faultSchema = z.discriminatedUnion('kind', [
  /** A closed valve that lets some of it by. */
  z.strictObject({ kind: z.literal('passing'), item: id }),
  /** A switch with one blade that stayed in. */
  z.strictObject({
    kind: z.literal('stuck-blade'),
    item: id,
    conductor: z.enum(['L1', 'L2', 'L3']),
  }),
  /** A vent, drain or bleed that nothing comes out of. */
  z.strictObject({ kind: z.literal('plugged'), item: id }),
  /** A tester with an empty battery. */
  z.strictObject({ kind: z.literal('dead-tester'), item: id }),
  /** A slot of the key cabinet that should hold a key and is empty. */
  z.strictObject({ kind: z.literal('key-gone'), item: id }),
  /** A gas detector that sends nothing. */
  z.strictObject({ kind: z.literal('mute-detector'), item: id }),
]);
export type Fault = z.infer<typeof faultSchema>;

export const FAULT_KINDS = [
  'passing',
  'stuck-blade',
  'plugged',
  'dead-tester',
  'key-gone',
  'mute-detector',
] as const;

/** Whether a fault of a kind is at an item. */
export const hasFault = (faults: readonly Fault[], kind: Fault['kind'], item: string): boolean =>
  faults.some((one) => one.kind === kind && one.item === item);
