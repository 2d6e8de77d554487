import { existsSync } from 'node:fs';
import type { Command } from 'commander';
import { openDatabase } from '../db';
import { verifyLedger } from '../ledger';
import { databaseFile } from '../server/database';
import { compareProjections } from '../server/jobs';
import { compareVersions } from '../server/plant';
import { BadFile } from './files';
import type { Answer } from './commands';

type Act = (
  work: (args: string[]) => Answer | Promise<Answer>,
) => (...given: unknown[]) => Promise<void>;

function runVerify([file = databaseFile()]: string[]): Answer {
  if (!existsSync(file)) {
    throw new BadFile(file, [
      { path: '(file)', message: 'is not there: start the application first' },
    ]);
  }
  const db = openDatabase(file);
  const report = verifyLedger(db);
  if (!report.whole)
    return { document: report, text: `NOT WHOLE: ${report.says}\n`, passes: false };
  const differing =
    report.events > 0
      ? [
          ...compareVersions(db).map((version) => `plant version ${version}`),
          ...compareProjections(db),
        ]
      : [];
  const text =
    differing.length > 0
      ? `the chain is whole, but what is kept of ${differing.join(', ')} differs from it\n`
      : `whole: ${report.events} events, newest ${report.head.slice(0, 16)}\n`;
  return { document: { ...report, differing }, text, passes: differing.length === 0 };
}

/** Adds `ledger verify [file]`. */
export function addLedgerCommands(program: Command, act: Act): void {
  program
    .command('ledger')
    .description('the record of everything that was done')
    .command('verify [file]')
    .description('walk the chain of the ledger and find a changed byte')
    .option('--json', 'print JSON')
    .action(act(runVerify));
}
