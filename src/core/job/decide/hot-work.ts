import { isFlammableSensor } from '../../gas';
import { computeTail, findBreathing, WAYS_OF, type Neighbour } from '../../hotwork';
import { ROLE_NAMES } from '../../people/people';
import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { findDetector, findElsewhere } from '../detectors';
import { isHotWork, listNeighboursOf } from '../hot-work';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { requireFree } from './duty';
import { nameOf, type Outcome } from './outcome';
import { valuesFor } from '../sums';

type HotCommand = CommandOf<
  'ask-cold' | 'brief-watch' | 'clear-neighbour' | 'take-out-blanks' | 'place-monitors'
>;

const requireHot = (dossier: Dossier, { site }: Context): Refusal[] =>
  isHotWork(dossier, site) ? [] : [refuse('no-hot-work')];

/** Refuses blanks that leave a path open, or that were fitted under no isolation of their place. */
function requireBlanks(
  { id, name, section }: Neighbour,
  { way, blank }: CommandOf<'clear-neighbour'>,
  { site: { graph }, others }: Context,
): Refusal[] {
  if (way !== 'blanked') return [];
  if (!blank || section === undefined) return [refuse('blank-unsaid', { name })];
  const left = findBreathing(graph, [{ id, name, section }], new Set(blank.links))[0]?.bodies[0];
  const under = others.open().find((job) => job.id === blank.under)?.dossier;
  const places = new Set(under?.scope.work.map((work) => work.section));
  const unheld = blank.links.filter((link) => {
    const ends = graph.links[graph.linkAt.get(link) ?? -1]?.between ?? [];
    return !ends.some((end) => places.has(end));
  });
  return [
    ...(left
      ? [
          refuse('blank-not-enough', {
            links: blank.links.join(', '),
            route: [section, ...left.route, left.body].join(' › '),
          }),
        ]
      : []),
    ...(unheld.length > 0
      ? [refuse('blank-not-held', { links: unheld.join(', '), job: blank.under })]
      : []),
  ];
}

function requireWay(
  dossier: Dossier,
  command: CommandOf<'clear-neighbour'>,
  context: Context,
): Refusal[] {
  const { neighbour, way } = command;
  const { site } = context;
  const found = listNeighboursOf(dossier, site).find(({ id }) => id === neighbour);
  if (!found) {
    return [
      refuse('neighbour-unknown', {
        neighbour,
        radius: valuesFor(dossier, site)['hot-work-radius-m'],
      }),
    ];
  }
  const ways = WAYS_OF[found.kind];
  return ways.includes(way)
    ? requireBlanks(found, command, context)
    : [refuse('neighbour-not-so', { name: found.name, way, ways: ways.join(' or ') })];
}

/** Refuses devices that cannot warn: unknown, out of date, blind to flammables, named twice, or standing elsewhere. */
function requireDevices(
  devices: readonly string[],
  { site, now, others, jobId }: Context,
): Refusal[] {
  return [...new Set(devices)].flatMap((device) => {
    const isFit = findDetector(device, site, now)?.sensors.some(isFlammableSensor) === true;
    const elsewhere = findElsewhere(device, jobId, others.open());
    return [
      ...(isFit ? [] : [refuse('monitor-unfit', { device })]),
      ...(elsewhere ? [refuse('monitor-elsewhere', { device, job: elsewhere.id })] : []),
      ...(devices.filter((one) => one === device).length > 1
        ? [refuse('monitor-twice', { device })]
        : []),
    ];
  });
}

/** Decides what is found out and done about the surroundings of hot work. */
export function decideHotWork(dossier: Dossier, command: HotCommand, context: Context): Outcome {
  const hot = requireHot(dossier, context);
  switch (command.kind) {
    case 'ask-cold':
      return { refusals: hot, event: { ...command, kind: 'cold-asked' } };
    case 'clear-neighbour':
      return {
        refusals: hot.length > 0 ? hot : requireWay(dossier, command, context),
        event: { ...command, kind: 'neighbour-cleared' },
      };
    case 'take-out-blanks':
      return {
        refusals: dossier.hotWork.cleared[command.neighbour]?.blank ? [] : [refuse('no-blanks')],
        event: { ...command, kind: 'blanks-out' },
      };
    case 'brief-watch':
      return { refusals: hot, event: { ...command, kind: 'watch-briefed' } };
    case 'place-monitors':
      return {
        refusals: [...hot, ...requireDevices(command.devices, context)],
        event: { ...command, kind: 'monitors-placed' },
      };
  }
}

function requireFinal(
  { person, found, final }: CommandOf<'make-round'>,
  left_min: number,
  by: 'fire-watch' | 'safety' | 'none',
  context: Context,
): Refusal[] {
  if (!final) return [];
  const role = by === 'safety' ? 'auditor' : 'fire-watch';
  const isTheirs = requireRole(context, person, [role]).length === 0;
  return [
    ...(left_min > 0 ? [refuse('tail-final-early', { left: left_min })] : []),
    ...(isTheirs
      ? []
      : [refuse('tail-final-by', { person: nameOf(context, person), role: ROLE_NAMES[role] })]),
    ...(found === 'cold' ? [] : [refuse('tail-final-not-cold')]),
  ];
}

/** The unbroken watch ends: the control room is told, and operations take the checks over by name. */
function decideWatchEnd(
  { permit }: Dossier,
  command: CommandOf<'end-fire-watch'>,
  context: Context,
): Outcome {
  const event = { ...command, kind: 'fire-watch-ended' } as const;
  if (permit.kind !== 'watched') return { refusals: [refuse('no-tail')], event };
  const { phase, left_min } = computeTail(
    permit.tail,
    permit.handedBack.at,
    permit.rounds,
    context.now,
  );
  const isTheirs = context.actor === permit.watcher;
  return {
    refusals: [
      ...(isTheirs ? [] : [refuse('not-on-watch', { watcher: nameOf(context, permit.watcher) })]),
      ...(phase === 'watch' ? [refuse('watch-still-unbroken', { left: left_min })] : []),
      ...(permit.watchEnded ? [refuse('already-done', { what: 'Ending the watch' })] : []),
      ...requireRole(context, command.operator, ['area-operator']),
    ],
    event,
  };
}

/** Decides a round of the watch after the last spark, its last look, and who has the watch. */
export function decideTail(
  dossier: Dossier,
  command: CommandOf<'make-round' | 'hand-over-watch' | 'end-fire-watch'>,
  context: Context,
): Outcome {
  const { permit } = dossier;
  if (command.kind === 'end-fire-watch') return decideWatchEnd(dossier, command, context);
  const event =
    command.kind === 'make-round'
      ? ({ ...command, kind: 'round-made' } as const)
      : ({ ...command, kind: 'watch-handed-over' } as const);
  if (permit.kind !== 'watched') return { refusals: [refuse('no-tail')], event };
  const watcher = nameOf(context, permit.watcher);
  if (command.kind === 'hand-over-watch') {
    return {
      refusals: [
        ...(context.actor === permit.watcher ? [] : [refuse('not-on-watch', { watcher })]),
        ...requireRole(context, command.to, ['fire-watch']),
        ...requireFree(dossier, command.to, context),
      ],
      event,
    };
  }
  const clock = computeTail(permit.tail, permit.handedBack.at, permit.rounds, context.now);
  const isTheirs = command.person === permit.watcher || clock.phase !== 'watch' || command.final;
  return {
    refusals: [
      ...(isTheirs ? [] : [refuse('not-on-watch', { watcher })]),
      ...(command.final
        ? []
        : requireRole(
            context,
            command.person,
            clock.phase === 'watch' ? ['fire-watch'] : ['fire-watch', 'area-operator'],
          )),
      ...requireFinal(command, clock.left_min, permit.tail.final, context),
    ],
    event,
  };
}
