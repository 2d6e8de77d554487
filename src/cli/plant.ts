import { writeFileSync } from 'node:fs';
import { extname } from 'node:path';
import {
  CALCULATIONS,
  describeFigure,
  sayAnswer,
  findCalculation,
  listStored,
  type TypedInputs,
} from '../core/bench';
import {
  buildGraph,
  describeChange,
  diffPlants,
  groupCautions,
  lintPlant,
  writeGraphml,
  writeSheets,
} from '../core/plant';
import type { Answer } from './commands';
import { BadFile, readPlantOrThrow } from './files';

const lines = (...all: readonly string[]) => `${all.join('\n')}\n`;
const badArgument = (name: string, message: string) =>
  new BadFile(name, [{ path: '(argument)', message }]);

/** Writes a plant in the format that the ending of the target names: .json, .zip (CSV sheets) or .graphml. */
export function runExport([from = '', to = '']: string[]): Answer {
  const plant = readPlantOrThrow(from);
  const writers: Readonly<Record<string, () => string | Uint8Array>> = {
    '.json': () => `${JSON.stringify(plant, null, 2)}\n`,
    '.zip': () => writeSheets(plant),
    '.graphml': () => writeGraphml(plant),
  };
  const write = writers[extname(to)];
  if (!write) throw badArgument(to, 'must end in .json, .zip or .graphml');
  try {
    writeFileSync(to, write());
  } catch {
    throw badArgument(to, 'cannot be written there');
  }
  const count = { sections: plant.sections.length, links: plant.links.length };
  return {
    document: { written: to, ...count },
    text: `${to}: ${count.sections} sections, ${count.links} links\n`,
    passes: true,
  };
}

/** Says what changes from one plant file to another. Stops when they differ. */
export function runCompare([before = '', after = '']: string[]): Answer {
  const changes = diffPlants(readPlantOrThrow(before), readPlantOrThrow(after));
  return {
    document: { changes },
    text: changes.length > 0 ? lines(...changes.map(describeChange)) : 'no difference\n',
    passes: changes.length === 0,
  };
}

/** What a drawing leaves to doubt, by kind. Stops when there is anything. */
export function runLint([file = '']: string[]): Answer {
  const cautions = lintPlant(buildGraph(readPlantOrThrow(file)));
  const text = groupCautions(cautions, Infinity).map(({ title, first: of }) =>
    lines(`${title} (${of.length}):`, ...of.map(({ words }) => `    ${words}`)),
  );
  return {
    document: { cautions },
    text: text.length > 0 ? text.join('') : 'nothing is left to doubt\n',
    passes: cautions.length === 0,
  };
}

/** The energy of every store of a plant, and what is missing to work it out. */
export function runStored([file = '']: string[]): Answer {
  const stored = listStored(buildGraph(readPlantOrThrow(file)));
  const text = stored.map(({ subject, section, kind, result }) => {
    const figures = result.ok
      ? result.figures.map(describeFigure)
      : result.problems.map(({ message }) => `NOT KNOWN: ${message}`);
    return lines(`${subject} (${kind} in ${section})`, ...figures.map((one) => `    ${one}`));
  });
  return {
    document: { stored },
    text: stored.length > 0 ? text.join('') : 'no stores\n',
    passes: stored.every(({ result }) => result.ok),
  };
}

/** Works out one calculation of the Bench from `field=figure` arguments, each with its unit ("pressure=7barg"); without any, lists its fields. */
export function runCompute([id = '', ...given]: string[]): Answer {
  const calculation = findCalculation(id);
  if (!calculation) {
    throw badArgument(id, `is no calculation: ${CALCULATIONS.map((one) => one.id).join(', ')}`);
  }
  if (given.length === 0) {
    const { title, question, formula, source, caution, fields } = calculation;
    const rows = Object.entries(fields).map(([name, field]) =>
      field.kind === 'choice'
        ? `  ${name} = ${Object.keys(field.options).join(' | ')}`
        : `  ${name} (${field.label}) in ${field.unit}${field.isOptional ? ', may be left out' : ''}`,
    );
    return {
      document: { id, title, question, formula, source, caution, fields },
      text: lines(question, title, ...formula, `source: ${source}`, caution, 'fields:', ...rows),
      passes: true,
    };
  }
  const inputs: TypedInputs = Object.fromEntries(
    given.map((one): [string, string] => {
      const at = one.indexOf('=');
      if (at < 1) throw badArgument(one, 'must be field=figure');
      return [one.slice(0, at), one.slice(at + 1)];
    }),
  );
  const result = calculation.run(inputs);
  if (!result.ok) {
    const problems = result.problems.map(({ field, message }) => ({ path: field, message }));
    throw new BadFile(id, problems);
  }
  return {
    document: { calculation: id, answer: sayAnswer(calculation, result.figures), ...result },
    text: lines(
      sayAnswer(calculation, result.figures),
      ...result.figures.map(describeFigure),
      ...result.notes,
      calculation.caution,
    ),
    passes: true,
  };
}
