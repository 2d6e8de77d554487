import type { ClearingRecord, CriticalMessage } from '../clearing-records';
import type { JobEvent } from '../events';
import type { Dossier, Mark } from '../state';

type Kept = Pick<Dossier, 'clearing' | 'messages'>;

/** A line that is cleared: a pig that moves makes every reading of before worthless. */
function evolveLine(
  clearing: ClearingRecord | undefined,
  event: JobEvent,
  mark: Mark,
): ClearingRecord | undefined {
  if (event.kind === 'clearing-planned') {
    const { isCharged = false, readings = {} } = clearing ?? {};
    return { plan: { ...event, ...mark }, worked: event.worked, cleared: 0, isCharged, readings };
  }
  if (event.kind === 'scope-changed') return clearing?.isCharged ? clearing : undefined;
  if (!clearing) return undefined;
  const { run } = clearing;
  switch (event.kind) {
    case 'line-walked':
      return { ...clearing, walked: { ...mark, seen: event.seen } };
    case 'pig-launched':
      return {
        ...clearing,
        isCharged: true,
        readings: {},
        run: { seen: { at_m: event.from_m, at: mark.at } },
      };
    case 'pig-seen':
      return run ? { ...clearing, run: { ...run, seen: { at_m: event.at_m, at: mark.at } } } : clearing; // prettier-ignore
    case 'pig-found-stuck':
      return run
        ? { ...clearing, readings: {}, run: { ...run, stuck: { ...mark, seen: event.seen } } }
        : clearing;
    case 'line-read': {
      const { side, bar, instrument } = event;
      return { ...clearing, readings: { ...clearing.readings, [side]: { ...mark, bar, instrument } } }; // prettier-ignore
    }
    case 'pig-freed':
      return { ...clearing, run: undefined };
    case 'pig-came':
      return { ...clearing, run: undefined, cleared: clearing.cleared + 1, readings: {} };
    default:
      return clearing;
  }
}

function evolveMessages(
  messages: readonly CriticalMessage[],
  event: JobEvent,
  mark: Mark,
): readonly CriticalMessage[] {
  if (event.kind === 'message-sent') {
    const { number, to, said } = event;
    // What was read back wrong is sent again: the newest to the same person takes its place.
    const kept = messages.filter((one) => one.back?.right === true || one.back === undefined || one.to !== to); // prettier-ignore
    return [...kept, { ...mark, number, to, said }];
  }
  if (event.kind !== 'message-read-back') return messages;
  const { message, right, heard } = event;
  return messages.map((one) =>
    one.number === message ? { ...one, back: { ...mark, right, heard } } : one,
  );
}

/** Lines that are cleared with gas, and messages between people who do not see each other. */
export const evolveClearing = (
  { clearing, messages }: Kept,
  event: JobEvent,
  mark: Mark,
): Kept => ({
  clearing: evolveLine(clearing, event, mark),
  messages: evolveMessages(messages, event, mark),
});
