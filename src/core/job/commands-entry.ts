import { z } from 'zod';
import { SUBSTANCE_CODES } from '../gas/substances';
import { COVER_WAYS, SPACE_CHECK_CODES } from '../space/checks';
import { FANS } from '../space/purge';
import { id, words } from './fields';

/** How people are got out without anyone going in after them, or with. */
export const RESCUE_WAYS = ['device', 'reach', 'team'] as const;

const percent = z.number().min(0).max(100);

/** Things that are counted in and out. */
const tools = z.int().min(0).max(500);

/** Commands about an entry: how it is planned, how the space is opened and purged, who is in it. */
export const ENTRY_COMMANDS = [
  z.strictObject({
    kind: z.literal('plan-entry'),
    /** The space, by its equipment. */
    space: id,
    most: z.int().min(1).max(40),
    /** How long one person stays at most (min), where heat or effort limits it. */
    stay_min: z.number().gt(0).max(720).optional(),
    rescue: z.enum(RESCUE_WAYS),
    rescueHow: words,
    /** When the rescue was last practised here or in a space like it. */
    drilledAt: z.iso.datetime(),
    /** How those inside and the attendant talk, and how help is called. */
    talk: words,
    call: words,
  }),
  /** What is looked at round the opening before it is opened, and inside before anybody goes in. */
  z.strictObject({
    kind: z.literal('check-space'),
    answers: z.partialRecord(
      z.enum(SPACE_CHECK_CODES),
      z.strictObject({
        /** It is so; or there is nothing of the sort here. */
        here: z.boolean(),
        words,
        /** Who stays with it. */
        person: id.optional(),
      }),
    ),
    cover: z
      .strictObject({ weight_kg: z.number().min(0).max(50_000), drawn: z.enum(COVER_WAYS) })
      .optional(),
  }),
  z.strictObject({ kind: z.literal('open-space'), guard: words }),
  z.strictObject({
    kind: z.literal('pump-out'),
    /** Where what is pumped goes, and why it may go there. */
    to: words,
    allowed: words,
  }),
  z.strictObject({
    kind: z.literal('start-purge'),
    volume_m3: z.number().gt(0).max(1_000_000),
    blower_m3_min: z.number().gt(0).max(10_000),
    bends: z.int().min(0).max(10),
    fan: z.enum(FANS),
    mixing: z.number().gt(0).max(1),
    chimneys: z.int().min(1).max(50),
    gas: z.enum(SUBSTANCE_CODES),
    start_pct: percent,
    oxygen_pct: percent,
    leak_m3_min: z.number().min(0).max(1000),
    /** Where the blower takes its air. */
    intake: words,
  }),
  z.strictObject({ kind: z.literal('end-purge'), seen: words }),
  z.strictObject({ kind: z.literal('stop-purge'), why: words }),
  z.strictObject({ kind: z.literal('enter-space'), person: id, tools }),
  z.strictObject({ kind: z.literal('leave-space'), person: id, tools }),
  z.strictObject({ kind: z.literal('call-in'), heard: words }),
] as const;
