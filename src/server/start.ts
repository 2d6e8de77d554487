import { keepBackups } from './backups';
import { logFault, type Db } from '../db';
import { databaseFile, sharedDatabase } from './database';
import { drawAhead } from './diagram';
import { adoptSite } from './registers';
import { findNewestVersion } from './plant';
import { keepSendingHeads } from './send-heads';
import { offerSetUp } from './set-up';
import { keepWatch } from './standing-watch';
import { describeTrouble } from './trouble';
import { warmBoard } from './watch';
import { workBeside } from './beside/queue';

/** Prints the code with which a new site is set up, where nobody has done so. */
function sayHowToSetUp(db: Db): void {
  const code = offerSetUp(db, databaseFile());
  if (code === undefined) return;
  console.log(
    `This site is not set up yet. Open /set-up in the browser and give this code: ${code}`,
  );
}

/** Opens the database and begins to watch. When it cannot be opened every page says why, and it is tried again until it can be. */
export function startServer(): void {
  try {
    workBeside();
    const db = sharedDatabase();
    adoptSite(db);
    sayHowToSetUp(db);
    keepWatch(db);
    keepBackups(db);
    keepSendingHeads(db);
    if (findNewestVersion(db) === 0) return;
    warmBoard(db).catch((error: unknown) => logFault('the board was not worked out ahead', error));
    drawAhead(db).catch((error: unknown) => logFault('the plant was not drawn ahead', error));
  } catch (error) {
    logFault(`the database could not be opened: ${describeTrouble(error)}`, error);
    setTimeout(startServer, 5000).unref();
  }
}
