import { z } from 'zod';

/** What the folder is called by itself, so that nothing else is taken for one. */
const FORMAT = 'heavy-lantern/site';

const sha256 = z.string().regex(/^[0-9a-f]{64}$/, 'is 64 digits of a SHA-256 digest');

/** One file of a folder that holds a whole site. */
const file = z.strictObject({
  /** Where it lies in the folder; never outside. */
  name: z
    .string()
    .max(120)
    .regex(/^(photos\/)?[a-z0-9][a-z0-9-]*\.(jsonl|json|csv|jpg)$/, 'is no file of such a folder'),
  bytes: z.number().int().min(0),
  sha256,
  /** Lines of JSON, or rows of a sheet without its header. */
  rows: z.number().int().min(0).optional(),
});

/** What a folder holds, signed with the key of the ledger: nobody changes a file of it unseen. */
export const siteFolderSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(1),
  site: z.string().max(200),
  /** ISO 8601, UTC, by the clock of the machine. */
  madeAt: z.iso.datetime(),
  events: z.number().int().min(0),
  head: sha256,
  /** Whether the hashes of PINs are in it. */
  hasPins: z.boolean(),
  files: z.array(file).max(1_000_000),
  signature: z.string().max(200),
});
export type SiteFolder = z.infer<typeof siteFolderSchema>;
export type SiteFile = z.infer<typeof file>;

/** The text that is signed: everything but the signature. */
export const textToSign = (folder: Omit<SiteFolder, 'signature'>): string =>
  JSON.stringify([
    FORMAT,
    folder.version,
    folder.site,
    folder.madeAt,
    folder.events,
    folder.head,
    folder.hasPins,
    folder.files.map(({ name, bytes, sha256: digest }) => [name, bytes, digest]),
  ]);

const instant = z.iso.datetime();
const text = z.string();
const count = z.number().int();

/** What one line of each file of JSON lines is, by the name of the file: this is what a site is made of. */
export const SITE_LINES = {
  'events.jsonl': z.strictObject({
    id: count,
    stream: text,
    sequence: count,
    type: text,
    payload: text,
    actor: text,
    at: text,
    policy: text,
    previousHash: sha256,
    hash: sha256,
    signature: text.nullable(),
  }),
  'plant-versions.jsonl': z.strictObject({
    version: count,
    document: text,
    digest: sha256,
    note: text,
    actor: text,
    at: instant,
  }),
  'gas-readings.jsonl': z.strictObject({
    device: text,
    number: count,
    at_ms: count,
    received_ms: count,
    gas: text,
    shown: z.number(),
    unit: text,
  }),
  'photos.jsonl': z.strictObject({ digest: sha256, by: text, at: instant }),
  'commands.jsonl': z.strictObject({
    key: text,
    stream: text,
    fingerprint: text,
    sequence: count,
  }),
  'pins.jsonl': z.strictObject({ person: text, pinHash: text }),
} as const;
export type LinesName = keyof typeof SITE_LINES;
export type LineOf<Name extends LinesName> = z.infer<(typeof SITE_LINES)[Name]>;
