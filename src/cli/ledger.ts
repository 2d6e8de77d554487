import { existsSync } from 'node:fs';
import type { Command } from 'commander';
import { openDatabase, type Db } from '../db';
import { verifyLedger } from '../ledger';
import { databaseFile } from '../server/database';
import { compareProjections } from '../server/jobs';
import { compareVersions } from '../server/plant';
import { rebuildRows } from '../server/rebuild';
import { BadFile } from './files';
import type { Answer } from './commands';

type Act = (
  work: (args: string[]) => Answer | Promise<Answer>,
) => (...given: unknown[]) => Promise<void>;

function openThere(file: string): Db {
  if (existsSync(file)) return openDatabase(file);
  throw new BadFile(file, [
    { path: '(file)', message: 'is not there: start the application first' },
  ]);
}

function runVerify([file = databaseFile()]: string[]): Answer {
  const db = openThere(file);
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

/** Writes what is kept of jobs anew, from a chain that is whole. */
function runRebuild([file = databaseFile()]: string[]): Answer {
  const db = openThere(file);
  const report = verifyLedger(db);
  if (!report.whole) {
    const text = `NOT WHOLE: ${report.says}. Nothing was written.\n`;
    return { document: report, text, passes: false };
  }
  const jobs = rebuildRows(db);
  const text = `${jobs} jobs written anew from ${report.events} events\n`;
  return { document: { jobs, events: report.events }, text, passes: true };
}

/** Adds `ledger verify [file]` and `ledger rebuild [file]`. */
export function addLedgerCommands(program: Command, act: Act): void {
  const ledger = program.command('ledger').description('the record of everything that was done');
  ledger
    .command('verify [file]')
    .description('walk the chain of the ledger and find a changed byte')
    .option('--json', 'print JSON')
    .action(act(runVerify));
  ledger
    .command('rebuild [file]')
    .description('write what lists, registers and the search keep anew from the ledger')
    .option('--json', 'print JSON')
    .action(act(runRebuild));
}
