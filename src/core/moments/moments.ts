/** How instants (ISO 8601, UTC) are said at a site, by the clock on its wall. */
export interface Moments {
  readonly zone: string;
  /** "14:30". */
  readonly clock: (at: string) => string;
  /** "14:30:05". */
  readonly seconds: (at: string) => string;
  /** "2026-11-24". */
  readonly day: (at: string) => string;
  /** What the clock goes by at that instant: "UTC", "GMT+1". */
  readonly offset: (at: string) => string;
  /** "14:30 UTC". */
  readonly time: (at: string) => string;
  /** "2026-11-24 14:30 UTC". */
  readonly instant: (at: string) => string;
  /** How far off it is: "in 12 min", "3.5 h ago". */
  readonly until: (at: string, now: string) => string;
  /** By the clock and how far off it is: "14:30 UTC (in 12 min)"; with the day where it is another one. */
  readonly beside: (at: string, now: string) => string;
  /** As a field for day and time holds it: "2026-11-24T14:30". */
  readonly toField: (at: string) => string;
  /**
   * The instant that such a field means; undefined when it holds none. An hour that the clock passes twice is the second of both, one that
   * it leaps over is an hour later.
   */
  readonly fromField: (text: string) => string | undefined;
}

const FIELD = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)$/;

/** "12 min" below two hours, "3.5 h" from there on. */
const sayApart = (minutes: number): string =>
  minutes < 120 ? `${minutes} min` : `${(minutes / 60).toFixed(1)} h`;

function sayUntil(at: string, now: string): string {
  const minutes = Math.round((Date.parse(at) - Date.parse(now)) / 60_000);
  const words = sayApart(Math.abs(minutes));
  return minutes < 0 ? `${words} ago` : `in ${words}`;
}

const DAY = 86_400_000;

type Part = 'year' | 'month' | 'day' | 'hour' | 'minute' | 'second';

/** Reads an instant (ms) off the clock of a zone, part by part, each with its leading zeros. */
function readClock(zone: string): (at: number) => Readonly<Record<Part, string>> {
  const two = '2-digit';
  const format = new Intl.DateTimeFormat('en', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: two,
    day: two,
    hour: two,
    minute: two,
    second: two,
  });
  return (at) =>
    Object.fromEntries(
      format.formatToParts(at).map(({ type, value }) => [type, value]),
    ) as unknown as Record<Part, string>;
}

/** What a clock in the zone goes by at an instant (ms): "GMT+1". */
function readOffset(zone: string): (at: number) => string {
  const format = new Intl.DateTimeFormat('en', { timeZone: zone, timeZoneName: 'shortOffset' });
  return (at) =>
    format.formatToParts(at).find(({ type }) => type === 'timeZoneName')?.value ?? zone;
}

function readField(text: string, wallOf: (at: number) => number): string | undefined {
  const parts = FIELD.exec(text)?.slice(1).map(Number);
  if (!parts) return undefined;
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0] = parts;
  const wall = Date.UTC(year, month - 1, day, hour, minute);
  const ahead = (at: number) => wallOf(at) - at;
  // A change of the clock lies between a day before and a day after, if anywhere near.
  const [before = 0, after = 0] = [wall - DAY, wall + DAY].map(ahead);
  const meant = [wall - before, wall - after].filter((at) => wallOf(at) === wall);
  const at = meant.length > 0 ? Math.max(...meant) : wall - before;
  return new Date(at).toISOString();
}

function makeMoments(zone: string): Moments {
  const [read, offsetAt] = [readClock(zone), readOffset(zone)];
  const clock = (at: string) => {
    const { hour, minute } = read(Date.parse(at));
    return `${hour}:${minute}`;
  };
  const day = (at: string) => {
    const { year, month, day: date } = read(Date.parse(at));
    return `${year}-${month}-${date}`;
  };
  const seconds = (at: string) => `${clock(at)}:${read(Date.parse(at)).second}`;
  const offset = (at: string) => (zone === 'UTC' ? zone : offsetAt(Date.parse(at)));
  const time = (at: string) => `${clock(at)} ${offset(at)}`;
  const wallOf = (at: number) => {
    const iso = new Date(at).toISOString();
    return Date.parse(`${day(iso)}T${seconds(iso)}Z`);
  };
  return {
    zone,
    clock,
    day,
    seconds,
    offset,
    time,
    instant: (at) => `${day(at)} ${time(at)}`,
    until: sayUntil,
    beside: (at, now) => {
      const said = day(at) === day(now) ? time(at) : `${day(at)} ${time(at)}`;
      return `${said} (${sayUntil(at, now)})`;
    },
    toField: (at) => `${day(at)}T${clock(at)}`,
    fromField: (text) => readField(text, wallOf),
  };
}

const known = new Map<string, Moments>();

/** How instants are said in a time zone, given by its name (IANA). Throws a RangeError on a zone that nobody knows or on what is no instant. */
export function momentsIn(zone: string): Moments {
  const before = known.get(zone) ?? makeMoments(zone);
  known.set(zone, before);
  return before;
}
