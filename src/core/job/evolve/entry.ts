import { SPACE_CHECK_CODES } from '../../space';
import type { JobEvent } from '../events';
import type { EntryRecord, Mark } from '../state';
import { drop, put } from './ledger';
import { describeSilence } from './papers';

export const NO_ENTRY: EntryRecord = { checked: {}, inside: {}, tools: 0 };

/** What was looked at round the opening and inside; what is looked at again counts as it was found last. */
function check(
  entry: EntryRecord,
  { answers, cover }: Extract<JobEvent, { kind: 'space-checked' }>,
  mark: Mark,
): EntryRecord {
  const found = SPACE_CHECK_CODES.flatMap((code) => {
    const answer = answers[code];
    return answer ? [[code, { ...mark, ...answer }] as const] : [];
  });
  return {
    ...entry,
    checked: { ...entry.checked, ...Object.fromEntries(found) },
    ...(cover ? { cover: { ...mark, ...cover } } : {}),
  };
}

/** Events that empty a space: whoever is inside is to be accounted for by name. */
function whyEmptied(event: JobEvent): string | undefined {
  switch (event.kind) {
    case 'alarm-raised':
      return `alarm at ${event.where}: ${event.seen}`;
    case 'air-tested':
      return event.isFit ? undefined : `air not fit: ${event.findings.join('; ')}`;
    case 'air-alarmed':
      return `alarm of ${event.device}: ${event.findings.join('; ')}`;
    case 'detector-failed':
      return event.why === 'silent' ? describeSilence(event) : undefined;
    case 'work-stopped':
      return event.reason;
    default:
      return undefined;
  }
}

function leave(entry: EntryRecord, person: string, tools: number): EntryRecord {
  const inside = drop(entry.inside, person);
  const left = entry.emptying?.people.filter((one) => one !== person);
  const isEmpty = Object.keys(inside).length === 0;
  return {
    ...entry,
    inside,
    tools: entry.tools - tools,
    // What nobody was in may have changed: purged and tested again.
    ...(isEmpty ? { purged: undefined, heard: undefined } : {}),
    emptying: entry.emptying && left ? { ...entry.emptying, people: left } : entry.emptying,
  };
}

/** What is known of an entry after an event. */
export function evolveEntry(entry: EntryRecord, event: JobEvent, mark: Mark): EntryRecord {
  const why = whyEmptied(event);
  const people = Object.keys(entry.inside);
  if (why !== undefined && people.length > 0) {
    return { ...entry, emptying: { ...mark, why, people } };
  }
  switch (event.kind) {
    case 'entry-planned': {
      return { ...entry, plan: { ...event, ...mark } };
    }
    case 'space-checked':
      return check(entry, event, mark);
    case 'space-opened':
      return { ...entry, opened: { ...mark, guard: event.guard } };
    case 'pumped-out':
      return { ...entry, pumped: { ...mark, to: event.to } };
    case 'purge-started': {
      return { ...entry, purge: { ...event, ...mark }, purged: undefined };
    }
    case 'purge-ended':
      return { ...entry, purge: undefined, purged: { ...mark, seen: event.seen } };
    case 'purge-stopped':
      return { ...entry, purge: undefined };
    case 'space-entered':
      return {
        ...entry,
        inside: put(entry.inside, event.person, { since: mark.at, tools: event.tools }),
        tools: entry.tools + event.tools,
      };
    case 'space-left':
      return leave(entry, event.person, event.tools);
    case 'called-in':
      return { ...entry, heard: { ...mark, heard: event.heard } };
    case 'stop-lifted':
      return { ...entry, emptying: undefined };
    case 'scope-changed':
      return { ...NO_ENTRY, inside: entry.inside, tools: entry.tools };
    // The next number is opened, purged and tested for anew.
    case 'permit-closed':
      return { ...NO_ENTRY, ...(entry.plan ? { plan: entry.plan } : {}) };
    default:
      return entry;
  }
}
