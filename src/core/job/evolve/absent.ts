import type { JobEvent } from '../events';
import type { Dossier, Mark } from '../state';
import { put } from './ledger';

export function evolveAbsent(
  absent: Dossier['absent'],
  event: JobEvent,
  mark: Mark,
): Dossier['absent'] {
  if (event.kind === 'absent-lock-removed') {
    const { owner, lock, where, offSite, tried, manager } = event;
    return put(absent, owner, { ...mark, lock, where, offSite, tried, manager });
  }
  const removed = event.kind === 'absent-owner-told' ? absent[event.owner] : undefined;
  if (event.kind !== 'absent-owner-told' || !removed) return absent;
  return put(absent, event.owner, { ...removed, told: { ...mark, words: event.told } });
}
