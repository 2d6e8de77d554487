import { ROLE_NAMES } from '../core/people/people';
import { openDatabase } from '../db';
import { databaseFile } from '../server/database';
import { loadDemo, readDemoSite } from '../server/demo';

async function main(): Promise<void> {
  const morning = !process.argv.includes('--raised-only');
  const did = await loadDemo(openDatabase(databaseFile()), { morning });
  const rows = readDemoSite().people.map(({ name, pin, employer, authorisations }) => {
    const roles = authorisations.map(({ role, until }) =>
      Date.parse(until) < Date.now() ? `${ROLE_NAMES[role]} (lapsed)` : ROLE_NAMES[role],
    );
    return `  ${name.padEnd(22)} PIN ${pin}  ${roles.join(', ')}; ${employer}`;
  });
  process.stdout.write(
    `Quillmere demonstration plant ${did}.\nDemonstration people (invented):\n${rows.join('\n')}\n`,
  );
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
});
