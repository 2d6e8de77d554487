import { momentsIn } from './moments';

/** Whether a text is a day as people write it: 2027-06-30. */
export const isDay = (text: string): boolean =>
  /^\d{4}-\d\d-\d\d$/.test(text) &&
  !Number.isNaN(Date.parse(text)) &&
  new Date(text).toISOString().startsWith(text);

/** The last minute of a day by the clock of a zone (ISO 8601, UTC). Precondition: it is a day. */
export const endOfDay = (day: string, zone: string): string =>
  momentsIn(zone).fromField(`${day}T23:59`) ?? `${day}T23:59:00.000Z`;

/** The first minute of a day by the clock of a zone (ISO 8601, UTC). Precondition: it is a day. */
export const startOfDay = (day: string, zone: string): string =>
  momentsIn(zone).fromField(`${day}T00:00`) ?? `${day}T00:00:00.000Z`;
