import {
  describeLine,
  findNearness,
  judgeAir,
  LEVELS,
  refuseSample,
  type AirLine,
  type GasDetector,
} from '../../gas';
import { refuse, type Refusal } from '../../rules/refuse';
import { airLimits, listAirUses, planAir } from '../air';
import { type CommandOf } from '../commands';
import { listPapers } from '../papers';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { type Outcome } from './outcome';

type TestAir = CommandOf<'test-air'>;

/** Order of the levels from the top, as they are named in findings. */
const byLevel = (a: TestAir['samples'][number], b: TestAir['samples'][number]): number =>
  LEVELS.indexOf(a.level) - LEVELS.indexOf(b.level);

/** Why the readings of a test cannot be believed, sample by sample, each reason once. */
function refuseSamples(
  command: TestAir,
  detector: GasDetector,
  calibratedUntil: string,
  { now, site }: Context,
): Refusal[] {
  const { instrument, bumpedAt, hose, samples } = command;
  const t90Times = site.values['t90-times'];
  const all = samples.flatMap(({ drawnFrom, readAt, readings }) =>
    refuseSample(
      { instrument, detector, calibratedUntil, bumpedAt, hose, drawnFrom, readAt, t90Times },
      readings,
      now,
    ),
  );
  return [...new Map(all.map((one) => [JSON.stringify(one), one])).values()];
}

/** What is not fit, in words; what reads the same at several levels of a place is said once. */
function gatherFindings(
  unfit: readonly { readonly level: string; readonly place: string; readonly line: AirLine }[],
): string[] {
  const levels = new Map<string, string[]>();
  for (const { level, place, line } of unfit) {
    const words = `${place}: ${describeLine(line)}`;
    levels.set(words, [...(levels.get(words) ?? []), level]);
  }
  return [...levels].map(([words, at]) => `${at.join(', ')}, ${words}`);
}

/** Decides a test of the air: what cannot be believed is refused; what is bad news is kept, and stops the work. */
export function decideAir(dossier: Dossier, command: TestAir, context: Context): Outcome {
  const { site } = context;
  const { use, instrument, samples, known } = command;
  const found = site.instruments.get(instrument);
  const detector = found?.detector;
  const lines = detector
    ? [...samples].sort(byLevel).flatMap(({ level, place, readings }) =>
        judgeAir(readings, detector, airLimits(site.values, use)).lines.map((line) => {
          return { level, place, line };
        }),
      )
    : [];
  const unfit = lines.filter(({ line }) => !line.isFit);
  const near = lines.flatMap(({ level, place, line }) => {
    const share = findNearness(line);
    const words = `${place}, ${level}: ${describeLine(line)}`;
    return share === undefined ? [] : [`${words}, ${share} % of its limit`];
  });
  const event = {
    ...command,
    kind: 'air-tested',
    isFit: unfit.length === 0,
    findings: gatherFindings(unfit),
    ...(near.length > 0 ? { near } : {}),
  } as const;
  if (!found || !detector) return { refusals: [refuse('gas-no-detector', { instrument })], event };
  const isAsked = listAirUses(listPapers(dossier, site)).includes(use);
  const { unknown } = planAir(dossier, site, use);
  return {
    refusals: [
      ...(isAsked ? [] : [refuse('air-not-asked', { use })]),
      ...unknown
        .filter((name) => !known[name])
        .map((name) => refuse('air-source-unknown', { name })),
      ...refuseSamples(command, detector, found.testedUntil, context),
    ],
    event,
  };
}
