import { sharedDatabase } from './database';
import { drawAhead } from './diagram';
import { adoptSite } from './registers';
import { keepWatch } from './standing-watch';
import { describeTrouble } from './trouble';
import { workBeside } from './beside/queue';

/** Opens the database and begins to watch. When it cannot be opened every page says why, and it is tried again until it can be. */
export function startServer(): void {
  try {
    workBeside();
    const db = sharedDatabase();
    adoptSite(db);
    keepWatch(db);
    drawAhead(db).catch((error: unknown) => console.error('the plant was not drawn ahead:', error));
  } catch (error) {
    console.error(`the database could not be opened: ${describeTrouble(error)}`);
    setTimeout(startServer, 5000).unref();
  }
}
