import { WrittenLater } from '../core/event-versions';
import { logFault } from '../db';
import { sharedDatabase } from './database';
import { respondError } from './respond';
import { findDiskTrouble, noteTrouble } from './trouble';
import { GivenUp } from './beside/queue';

/** Keeps in mind that nothing can be written, where the database is open at all. */
function remember(words: string): void {
  try {
    noteTrouble(sharedDatabase(), words);
  } catch {
    // It could not even be opened: every page says so.
  }
}

/**
 * A route whose faults are said in words: a disk that is full or cannot be written answers 507 and shows over every screen; any other fault
 * 500. Nothing half-done is kept in either case.
 */
export const guarded =
  <Args extends readonly unknown[]>(work: (...args: Args) => Response | Promise<Response>) =>
  async (...args: Args): Promise<Response> => {
    try {
      return await work(...args);
    } catch (error) {
      // The framework's own signals pass.
      if (typeof error === 'object' && error !== null && 'digest' in error) throw error;
      if (error instanceof GivenUp) {
        return respondError(503, `This was given up: ${error.message}. Nothing was changed.`);
      }
      if (error instanceof WrittenLater)
        return respondError(503, `Nothing can be read: ${error.message}.`);
      const words = findDiskTrouble(error);
      if (words !== undefined) {
        remember(words);
        return respondError(507, `Nothing was recorded. ${words}`, [
          'If work has to stop, stop it by radio now, and write it down by hand.',
        ]);
      }
      logFault('a route has a fault', error);
      return respondError(500, 'The server has a fault of its own here. Nothing was recorded.');
    }
  };
