import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { versionOfKind } from '../core/event-versions';
import type { IncomingOrder } from '../core/work-orders';
import { tables, type Db } from '../db';
import { CLOCK_STREAM, type StoredEvent } from '../ledger';
import { CHANGES_OF_SITE } from './changes-read';
import type { ClockMoved } from './clock';
import { DEFECTS_OF_SITE } from './defects-read';
import { PLANT_STREAM, type PlantSavedEvent } from './plant';
import { PROCEDURES_OF_SITE } from './procedures-read';
import {
  digestOfPin,
  nextRegister,
  PEOPLE_STREAM,
  REGISTER_STREAM,
  type PersonEvent,
  type RegisterEvent,
} from './registers';
import { RULES_STREAM } from './site-rules';
import { ORDER_STREAM } from './work-orders';

type Row = Readonly<Record<string, unknown>>;

/** The digest (SHA-256) of a text. */
export const digestOf = (text: string): string => createHash('sha256').update(text).digest('hex');

/** A saved version of the plant with the digest of its document, which itself is too large for the ledger: its digest stands there. */
export const withDigest = ({
  document,
  ...row
}: typeof tables.plantVersions.$inferSelect): Readonly<Record<string, unknown>> => ({
  ...row,
  document: digestOf(document),
});

export const withPinDigest = ({ pinHash, ...person }: typeof tables.people.$inferSelect) => ({
  ...person,
  pinDigest: digestOfPin(pinHash),
});

/** A person as the ledger tells of them. */
type ToldPerson = ReturnType<typeof withPinDigest>;

/** What the ledger tells of the site beside its jobs, gathered event by event. */
export class SiteTold {
  readonly people = new Map<string, ToldPerson>();
  readonly registers = new Map<string, ReturnType<typeof nextRegister>>();
  readonly versions: Row[] = [];
  readonly commands: Row[] = [];
  /** Pictures that jobs name, by the digest of their bytes. */
  readonly pictures = new Set<string>();
  offset_ms: number | undefined;

  constructor(
    private readonly into: Db,
    private readonly from: Db,
  ) {}

  private hearPerson(event: PersonEvent): void {
    switch (event.kind) {
      case 'pin-code-made':
        return;
      case 'pins-ended':
        for (const known of this.people.values())
          this.keepPerson({ ...known, pinDigest: digestOfPin('') });
        return;
      case 'pin-set': {
        const known = this.people.get(event.person);
        return known && this.keepPerson({ ...known, pinDigest: event.pinDigest });
      }
      case 'person-saved': {
        const { id, name, employer, authorisations, leftAt, pinDigest } = event;
        return this.keepPerson({ id, name, employer, authorisations, leftAt, pinDigest });
      }
    }
  }

  private keepPerson(person: ToldPerson): void {
    this.people.set(person.id, person);
    const { pinDigest: pinHash, ...shown } = person;
    const kept = { ...shown, pinHash };
    this.into
      .insert(tables.people)
      .values(kept)
      .onConflictDoUpdate({ target: tables.people.id, set: kept })
      .run();
  }

  readonly hear = (event: StoredEvent): void => {
    const { stream, sequence, payload, actor, at } = event;
    const { sent } = payload as {
      readonly sent?: { readonly key: string; readonly fingerprint: string };
    };
    if (sent) this.commands.push({ ...sent, stream, sequence });
    const about = payload as {
      readonly kind?: unknown;
      readonly digest?: unknown;
      readonly photo?: unknown;
    };
    if (about.kind === 'photo-added') this.pictures.add(String(about.digest));
    if (about.kind === 'defect-reported' && typeof about.photo === 'string')
      this.pictures.add(about.photo);
    switch (stream) {
      case PLANT_STREAM:
        return this.hearPlant(payload as PlantSavedEvent, { actor, at });
      case PEOPLE_STREAM:
        return this.hearPerson(payload as PersonEvent);
      case REGISTER_STREAM: {
        const event = payload as RegisterEvent;
        const row = nextRegister(this.registers.get(event.name), event);
        this.registers.set(row.name, row);
        this.into
          .insert(tables.registers)
          .values(row)
          .onConflictDoUpdate({ target: tables.registers.name, set: row })
          .run();
        return;
      }
      case CLOCK_STREAM: {
        const moved = payload as ClockMoved;
        if (moved.kind === 'clock-moved') this.offset_ms = moved.offset_ms;
        return;
      }
      case CHANGES_OF_SITE.stream:
      case DEFECTS_OF_SITE.stream:
      case PROCEDURES_OF_SITE.stream:
      case RULES_STREAM:
        // What counts of these is read from their events.
        this.into
          .insert(tables.events)
          .values({
            ...event,
            payload: JSON.stringify({ ...(payload as object), v: versionOfKind(event.type) }),
            previousHash: '',
          })
          .run();
        return;
      case ORDER_STREAM:
        return this.hearOrder(payload as { order: IncomingOrder; source: string }, at);
      default:
    }
  };

  private hearPlant(
    { version, digest, note }: PlantSavedEvent,
    { actor, at }: { readonly actor: string; readonly at: string },
  ): void {
    const told = { version, digest, note, actor, at };
    this.versions.push({ ...told, document: digest });
    const { plantVersions } = tables;
    const kept = this.from
      .select()
      .from(plantVersions)
      .where(eq(plantVersions.version, version))
      .get();
    // Jobs are read on the drawing as it is kept, where that is the one that was saved.
    if (kept && digestOf(kept.document) === digest) {
      this.into
        .insert(plantVersions)
        .values({ ...told, document: kept.document })
        .run();
    }
  }

  private hearOrder(
    { order, source }: { order: IncomingOrder; source: string },
    receivedAt: string,
  ) {
    const row = { document: JSON.stringify(order), receivedAt, source };
    this.into
      .insert(tables.workOrders)
      .values({ number: order.number, ...row })
      .onConflictDoUpdate({ target: tables.workOrders.number, set: row })
      .run();
  }
}
