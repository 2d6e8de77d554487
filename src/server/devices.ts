import { createHash, randomBytes } from 'node:crypto';
import { nanoid } from 'nanoid';
import { z } from 'zod';
import { writeAlone, type Db } from '../db';
import { appendEvents, readStream } from '../ledger';
import { readNow } from './clock';

const STREAM = 'site/devices';

/** What a device is for: where it stands and who is at it. */
export const DEVICE_KINDS = ['desk', 'gate', 'phone'] as const;
export const deviceSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  kind: z.enum(DEVICE_KINDS),
});
type NewDevice = z.infer<typeof deviceSchema>;

type DeviceEvent =
  | ({ readonly kind: 'device-enrolled'; readonly id: string; readonly hash: string } & {
      readonly device: NewDevice;
    })
  | { readonly kind: 'device-ended'; readonly id: string };

/** A device on which names are shown before anybody signs in. */
export interface Device extends NewDevice {
  readonly id: string;
  readonly by: string;
  readonly at: string;
  readonly endedAt?: string;
}

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

interface Kept extends Device {
  readonly hash: string;
}

function listKept(db: Db): Map<string, Kept> {
  const devices = new Map<string, Kept>();
  for (const { payload, actor, at } of readStream(db, STREAM)) {
    const event = payload as DeviceEvent;
    const known = devices.get(event.id);
    if (event.kind === 'device-enrolled') {
      const { id, hash, device } = event;
      devices.set(id, { ...device, id, hash, by: actor, at });
    } else if (known) devices.set(event.id, { ...known, endedAt: at });
  }
  return devices;
}

const withoutSecret = ({ id, name, kind, by, at, endedAt }: Kept): Device => ({
  id,
  name,
  kind,
  by,
  at,
  ...(endedAt === undefined ? {} : { endedAt }),
});

/** Every device that was enrolled, the newest first, without its secret. */
export const listDevices = (db: Db): Device[] =>
  [...listKept(db).values()].map(withoutSecret).reverse();

function append(tx: Db, event: DeviceEvent, actor: string): void {
  const { length } = readStream(tx, STREAM);
  appendEvents(tx, STREAM, length, [event], { actor, at: readNow(tx), policy: 'none' });
}

/** Enrols a device; answers what its cookie holds, which is kept nowhere else. */
export function enrolDevice(db: Db, device: NewDevice, actor: string): string {
  const id = nanoid(10);
  const secret = randomBytes(24).toString('hex');
  writeAlone(db, (tx) =>
    append(tx, { kind: 'device-enrolled', id, hash: hashOf(secret), device }, actor),
  );
  return `${id}.${secret}`;
}

/** Ends an enrolment; false when there is none that goes on. */
export const endDevice = (db: Db, id: string, actor: string): boolean =>
  writeAlone(db, (tx) => {
    const known = listKept(tx).get(id);
    if (!known || known.endedAt !== undefined) return false;
    append(tx, { kind: 'device-ended', id }, actor);
    return true;
  });

/** The device that a cookie is of; undefined when it was never enrolled, or has ended. */
export function findDevice(db: Db, cookie: string | undefined): Device | undefined {
  const [id = '', secret = ''] = (cookie ?? '').split('.');
  const known = listKept(db).get(id);
  const isOwn = known?.endedAt === undefined && known?.hash === hashOf(secret);
  return known && isOwn ? withoutSecret(known) : undefined;
}
