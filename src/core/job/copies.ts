import { refuse, type Refusal } from '../rules/refuse';
import { isNumbered, type Copy, type PermitRecord } from './permit-record';

/** How a copy is accounted for: taken in, lost, or replaced by a second copy; undefined while it is out. */
export function findCopyEnd(
  { number, end }: Copy,
  copies: readonly Copy[],
): 'back' | 'lost' | 'replaced' | undefined {
  if (end) return end.end;
  return copies.some(({ instead }) => instead === number) ? 'replaced' : undefined;
}

/** Copies of a permit that are still out. */
export const listCopiesOut = (permit: PermitRecord): readonly Copy[] =>
  isNumbered(permit)
    ? permit.copies.filter((copy) => findCopyEnd(copy, permit.copies) === undefined)
    : [];

/** Refuses to close a permit whose copies are out. */
export function refuseCopiesOut(permit: PermitRecord): Refusal[] {
  const out = listCopiesOut(permit);
  if (out.length === 0) return [];
  return [
    refuse('copies-out', {
      copies: out.map(({ number, holder }) => `No. ${number} (${holder})`).join(', '),
    }),
  ];
}
