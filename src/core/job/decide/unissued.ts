import { refuse, type Refusal } from '../../rules/refuse';
import { isHeld, type Dossier } from '../state';

/** Refuses to change what a permit is about while it is out, or once its work is over. */
export function requireUnissued({ permit, restoring }: Dossier): Refusal[] {
  if (isHeld(permit)) return [refuse('permit-held')];
  const isOver = permit.kind === 'handed-back' || permit.kind === 'watched';
  return [
    ...(isOver ? [refuse('permit-open')] : []),
    ...(permit.kind === 'closed' || restoring ? [refuse('restoring-begun')] : []),
  ];
}
