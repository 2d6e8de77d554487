import { z } from 'zod';
import { id, words } from './fields';

/** The two sides of a pig: where the gas is let in, and where it goes. */
export const PIG_SIDES = ['behind', 'ahead'] as const;

/** Whoever starts something sees everybody; or somebody stands out of sight, and a message goes to and fro first. */
export const SIGHTS = ['seen', 'message'] as const;

const bar = z.number().min(0).max(2000);
const metres = z.number().min(-1000).max(1_000_000);

/** Commands about a line that is cleared with gas, and about messages between people who do not see each other. */
export const CLEARING_COMMANDS = [
  z.strictObject({
    kind: z.literal('plan-clearing'),
    points: z
      .array(
        z.strictObject({
          at_m: metres,
          height_m: metres,
          bore_mm: z.number().gt(0).max(5000),
          parts: z.boolean(),
        }),
      )
      .min(2)
      .max(500),
    drive_bar: z.number().gt(0).max(2000),
    relief_bar: z.number().gt(0).max(2000),
    weakest_bar: z.number().gt(0).max(2000),
    density: z.number().gt(0).max(20_000),
    speed_m_min: z.number().gt(0).max(10_000),
    /** Who lets the gas in, and who stands at the receiver. */
    launcher: id,
    catcher: id,
    /** Where everybody else stays. */
    stands: words,
  }),
  z.strictObject({ kind: z.literal('walk-line'), seen: words }),
  z.strictObject({ kind: z.literal('launch-pig') }),
  z.strictObject({ kind: z.literal('see-pig'), at_m: metres, how: words }),
  z.strictObject({ kind: z.literal('pig-stuck'), seen: words }),
  z.strictObject({
    kind: z.literal('read-line'),
    side: z.enum(PIG_SIDES),
    bar,
    instrument: id,
  }),
  z.strictObject({ kind: z.literal('free-pig'), how: words }),
  z.strictObject({ kind: z.literal('pig-arrived'), seen: words }),
  z.strictObject({ kind: z.literal('send-message'), to: id, said: words }),
  z.strictObject({
    kind: z.literal('read-back'),
    message: z.int().min(1).max(100_000),
    /** What was read back is what was sent. */
    right: z.boolean(),
    heard: words,
  }),
] as const;
