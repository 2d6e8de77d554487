import { momentsIn } from '../core/moments';
import { tables, type Db } from '../db';
import { listPeople } from './registers';
import { readValues } from './site-rules';

/** Points found in the field as drawn: who and when, in words, by id. */
export function describeAsBuilt(db: Db): Readonly<Record<string, string>> {
  const { instant } = momentsIn(readValues(db).values.zone);
  const names = new Map(listPeople(db).map(({ id, name }) => [id, name]));
  return Object.fromEntries(
    db
      .select()
      .from(tables.asBuilt)
      .all()
      .map(({ point, actor, at, job }) => [
        point,
        `${names.get(actor) ?? actor}, ${instant(at)}, ${job}`,
      ]),
  );
}
