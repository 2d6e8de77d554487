import { tables, type Db } from '../db';
import { listPeople } from './registers';

/** Points found in the field as drawn: who and when, in words, by id. */
export function describeAsBuilt(db: Db): Readonly<Record<string, string>> {
  const names = new Map(listPeople(db).map(({ id, name }) => [id, name]));
  return Object.fromEntries(
    db
      .select()
      .from(tables.asBuilt)
      .all()
      .map(({ point, actor, at, job }) => [
        point,
        `${names.get(actor) ?? actor}, ${at.slice(0, 16).replace('T', ' ')} UTC, ${job}`,
      ]),
  );
}
