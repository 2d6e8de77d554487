import type { Grade, IsolationPlan, Link, Plant } from '../../src/core/plant';

/**
 * The rules of the check read a second time, slowly and from the plant's tables alone: nothing of the check or the planner is used. It
 * only says whether a plan may stand. What each source demands, and what has to be earthed, is told to it.
 */
export interface SecondTask {
  readonly plant: Plant;
  readonly work: readonly { readonly section: string; readonly activity: string }[];
  readonly grades: Readonly<Record<string, Grade>>;
  readonly earths: readonly string[];
}

type Mode = 'I' | 'L' | 'D' | 'E';
type At = `${string}|${Mode}`;

const ZERO = new Set(
  'joint check-valve control-valve relief-valve pump motor generator cylinder engine heater agitator gearbox brake transformer exchanger steam-trap hose contactor drive-controller stop-button interlock-contact static-switch'.split(
    ' ',
  ),
);
const TWO = new Set(
  'spectacle-blind spade spool removed-hose flange withdrawn-breaker disconnected-cable plug coupling pin'.split(
    ' ',
  ),
);
const HAND = new Set(
  'gate-valve ball-valve plug-valve globe-valve butterfly-valve needle-valve'.split(' '),
);
const PLAIN = new Set('joint hose flange spool spectacle-blind spade'.split(' '));
/** kind, from carrier, to carrier, what the far end gets, whether itself at the far end comes back. */
const CONVERTERS = `motor current motion D back
motor current fluid D no
generator motion current D back
generator fluid current D back
pump motion fluid D no
pump current fluid D no
cylinder fluid motion D back
engine fluid motion D back
engine fluid current D back
heater current fluid E no
heater heat fluid E no
heater current heat E no
exchanger current fluid E no
exchanger heat fluid E no
exchanger current heat E no
agitator motion fluid E no
agitator current fluid E no
joint motion fluid E back
joint radiation fluid E no
joint radiation current E no
joint radiation motion E no
joint radiation heat E no
shutter radiation fluid E no
shutter radiation current E no
shutter radiation motion E no
shutter radiation heat E no`
  .split('\n')
  .map((row) => row.split(' '));

export class SecondReading {
  private readonly carrier = new Map<string, string>();

  constructor(private readonly task: SecondTask) {
    const { plant } = task;
    for (const { id, medium } of plant.sections) {
      const { energy, phase } = plant.media.find((one) => one.id === medium) ?? {
        energy: '',
        phase: '',
      };
      const flows = ['gas', 'liquid', 'vapour'].includes(phase);
      const carrier =
        energy === 'electrical'
          ? 'current'
          : energy === 'mechanical' || energy === 'gravity'
            ? 'motion'
            : energy === 'thermal' && !flows
              ? 'heat'
              : energy === 'radiation'
                ? 'radiation'
                : 'fluid';
      this.carrier.set(id, carrier);
    }
  }

  private strength({ kind, lockable, operated, passing, seized }: Link): number {
    if (lockable === false || operated === 'remote' || passing || seized) return 0;
    return ZERO.has(kind) ? 0 : TWO.has(kind) ? 2 : 1;
  }

  private isWall({ kind, between: [a, b] }: Link): boolean {
    const fluids = this.carrier.get(a) === 'fluid' && this.carrier.get(b) === 'fluid';
    return fluids && (kind === 'exchanger' || kind === 'heater');
  }

  private isThrough(link: Link): boolean {
    const [a, b] = link.between;
    return this.carrier.get(a) === this.carrier.get(b) && !this.isWall(link);
  }

  /** What stands behind a link when something stands before it in a mode. */
  private cross(link: Link, from: string, mode: Mode): Mode[] {
    const to = link.between[0] === from ? link.between[1] : link.between[0];
    if (this.isThrough(link)) {
      if (mode === 'E') return [];
      return mode === 'L' && !ZERO.has(link.kind) ? [] : [mode];
    }
    if (this.isWall(link)) return mode === 'I' ? ['L'] : [];
    const [one, other] = [this.carrier.get(from), this.carrier.get(to)];
    for (const [kind, a, b, gives, back] of CONVERTERS) {
      if (kind !== link.kind) continue;
      if (a === one && b === other) return mode === 'I' || mode === 'D' ? [gives as Mode] : [];
      if (b === one && a === other) return back === 'back' && mode === 'I' ? [gives as Mode] : [];
    }
    return [];
  }

  /** Sections in which the moving part of a device lies that a section feeds. */
  private movedBy(section: string): string[] {
    const mover = this.carrier.get(section) ?? '';
    if (!['fluid', 'current', 'motion'].includes(mover)) return [];
    return this.task.plant.links
      .filter(({ powered_by, between }) => powered_by === section && !between.includes(section))
      .flatMap(({ between }) => between)
      .filter((end) => ['fluid', 'motion'].includes(this.carrier.get(end) ?? ''));
  }

  /** Whether the drawing bars all that a plan wants: each position of some bar stands, and the plan moves something into one. */
  private breaksBar(
    { close, open: opened, stand = [] }: IsolationPlan,
    barred: ReadonlySet<string>,
  ) {
    const { links, interlocks = [] } = this.task.plant;
    const bars = [
      ...interlocks,
      ...links.flatMap(({ id, excludes = [] }) =>
        excludes.map((other) => ({ open: [id, other], closed: [] as string[] })),
      ),
    ];
    const link = (id: string) => links.find((one) => one.id === id);
    const canStand = (id: string) => {
      const { kind = '', lockable, operated, seized } = link(id) ?? {};
      const isMoved = HAND.has(kind) && operated !== 'remote' && !seized;
      return isMoved && lockable !== false && !close.includes(id);
    };
    const standsOpen = (id: string) => stand.includes(id) && canStand(id);
    return bars.some(({ open, closed }) => {
      const says = [
        ...open.map((id) => {
          if (!link(id)) return opened.includes(id) ? 'moved' : 'not';
          if (link(id)?.normal === 'closed') return standsOpen(id) ? 'moved' : 'not';
          return barred.has(id) ? 'not' : 'stands';
        }),
        ...closed.map((id) => {
          if (link(id)?.normal === 'closed') return standsOpen(id) ? 'not' : 'stands';
          return close.includes(id) ? 'moved' : 'not';
        }),
      ];
      return !says.includes('not') && says.includes('moved');
    });
  }

  /** Everywhere that something gets to from a section, itself, past no link of `shut` and into no section of `struck`. */
  private spread(from: string, shut: ReadonlySet<string>, struck = new Set<string>()): Set<At> {
    const start: At = `${from}|I`;
    const seen = new Set<At>(struck.has(from) ? [] : [start]);
    for (const at of seen) {
      const [here, mode] = at.split('|') as [string, Mode];
      for (const link of this.task.plant.links) {
        if (shut.has(link.id) || !link.between.includes(here)) continue;
        const to = link.between[0] === here ? link.between[1] : link.between[0];
        if (struck.has(to)) continue;
        for (const next of this.cross(link, here, mode)) seen.add(`${to}|${next}`);
      }
      if (mode !== 'I' && mode !== 'D') continue;
      for (const end of this.movedBy(here)) if (!struck.has(end)) seen.add(`${end}|E`);
    }
    return seen;
  }

  private arrives(seen: ReadonlySet<At>, modes: string, at?: readonly string[]): boolean {
    const where = at ?? this.task.work.map(({ section }) => section);
    return where.some((section) =>
      [...modes].some((mode) => seen.has(`${section}|${mode as Mode}`)),
    );
  }

  /** The sections that hang together with one over some links. */
  private together(from: string, joins: (link: Link) => boolean): Set<string> {
    const seen = new Set([from]);
    for (const here of seen) {
      for (const link of this.task.plant.links) {
        if (!link.between.includes(here) || !this.isThrough(link) || !joins(link)) continue;
        link.between.forEach((end) => seen.add(end));
      }
    }
    return seen;
  }

  /** The least strength that a source meets on its ways: 0, 1, or 2 for two and more. */
  private leastMet(source: string, close: ReadonlySet<string>, modes: string): number {
    for (const open of this.task.plant.links.filter(({ id }) => close.has(id))) {
      if (this.arrives(this.spread(source, without(close, open.id)), modes)) {
        if (this.strength(open) === 1) return 1;
      }
    }
    return 2;
  }

  /** The links of a plan that hold something, and those shut whether they hold or not. */
  passes(plan: IsolationPlan): boolean {
    const { plant, work, grades, earths } = this.task;
    const byId = new Map(plant.links.map((link) => [link.id, link]));
    const outlets = new Map(plant.outlets.map((outlet) => [outlet.id, outlet]));
    const stores = plant.sections.flatMap(({ id, stores: held = [] }) =>
      held.map((store) => ({ ...store, section: id })),
    );
    const known =
      [...plan.close, ...(plan.stand ?? [])].every((id) => byId.has(id)) &&
      plan.open.every((id) => outlets.has(id)) &&
      plan.restrain.every((id) => stores.some((store) => store.id === id));
    if (!known || plan.stand?.some((id) => plan.close.includes(id))) return false;
    const barred = new Set(plan.close.filter((id) => this.strength(byId.get(id) as Link) > 0));
    const stands = new Set(
      (plan.stand ?? []).filter((id) => {
        const { kind, lockable, operated, seized } = byId.get(id) as Link;
        return HAND.has(kind) && lockable !== false && operated !== 'remote' && !seized;
      }),
    );
    if (this.breaksBar(plan, barred)) return false;
    const bodyOf = (section: string) => this.together(section, ({ id }) => !barred.has(id));
    const partOf = (section: string, of: IsolationPlan | 'as it stands' = plan) =>
      this.together(section, ({ id, kind, normal, operated, seized }) => {
        if (of !== 'as it stands' && of.close.includes(id)) return false;
        const isPlain = PLAIN.has(kind) || HAND.has(kind);
        return (
          (of !== 'as it stands' && stands.has(id)) ||
          (isPlain && normal !== 'closed' && operated !== 'remote' && !seized)
        );
      });
    const sources = plant.sections.filter(({ source }) => source).map(({ id }) => id);
    const isLive = (section: string) => sources.some((id) => bodyOf(section).has(id));
    const isSafe = (id: string) => {
      const { kind, leads_to, section, plugged } = outlets.get(id) ?? plant.outlets[0] ?? never();
      if (plugged) return false;
      const medium = plant.sections.find((one) => one.id === section)?.medium;
      const hazards = plant.media.find((one) => one.id === medium)?.hazards ?? ['toxic'];
      const isClean = !hazards.includes('flammable') && !hazards.includes('toxic');
      return kind !== 'earth' && (leads_to !== 'atmosphere' || isClean) && leads_to !== 'earth';
    };
    const isBled = (section: string) =>
      !isLive(section) &&
      plan.open.some((id) => isSafe(id) && partOf(section).has(outlets.get(id)?.section ?? ''));
    if (plan.open.some((id) => isLive(outlets.get(id)?.section ?? ''))) return false;
    const modesOf = (source: string) =>
      this.arrives(this.spread(source, new Set()), 'IL') ? 'IL' : 'ILDE';
    for (const source of sources) {
      if (this.arrives(this.spread(source, barred), 'ILDE')) return false;
      const grade = grades[source];
      if (grade === undefined) continue;
      const positive = new Set([...barred].filter((id) => TWO.has(byId.get(id)?.kind ?? '')));
      const modes = modesOf(source);
      if (grade === 'double' && this.leastMet(source, barred, modes) < 2) return false;
      if (grade === 'positive' && this.arrives(this.spread(source, positive), modes)) return false;
      if (grade === 'double-bled') {
        const near = new Set(work.flatMap(({ section }) => [...bodyOf(section)]));
        const struck = new Set(
          plant.sections.map(({ id }) => id).filter((id) => !near.has(id) && isBled(id)),
        );
        if (this.arrives(this.spread(source, positive, struck), modes)) return false;
      }
      const isFluid = this.carrier.get(source) === 'fluid';
      const asks =
        grade === 'single-bled' || (isFluid && (grade === 'double-bled' || grade === 'positive'));
      const unbled = work.filter(
        ({ section }) =>
          this.arrives(this.spread(source, new Set()), 'I', [section]) && !isBled(section),
      );
      if (asks && unbled.length > 0) return false;
    }
    const opened = work
      .filter(({ activity }) => activity !== 'touch')
      .map(({ section }) => section);
    for (const { id, source, pressure_bar: bar } of plant.sections) {
      if (source || bar === 0 || this.carrier.get(id) !== 'fluid') continue;
      const seen = this.spread(id, barred);
      const comes = this.arrives(seen, 'I', opened) || this.arrives(seen, 'DE');
      const part = partOf(id);
      const hasOutlet = plant.outlets.some((one) => part.has(one.section) && isSafe(one.id));
      if (comes && hasOutlet && !isBled(id)) return false;
    }
    for (const { id, section, release } of stores) {
      if (release === 'wait' || !this.arrives(this.spread(section, barred), 'IDE')) continue;
      if (release === 'restrain' && !plan.restrain.includes(id)) return false;
      if (release === 'restrain') continue;
      const at = outlets.get(release)?.section ?? '';
      if (!plan.open.includes(release) || !bodyOf(section).has(at)) return false;
      if (outlets.get(release)?.plugged) return false;
    }
    const applied = new Set(
      plan.open
        .filter((id) => outlets.get(id)?.kind === 'earth' && !outlets.get(id)?.plugged)
        .map((id) => outlets.get(id)?.section ?? ''),
    );
    for (const section of earths) {
      if (applied.has(section)) continue;
      const walk = this.together(
        section,
        ({ id, between }) => !barred.has(id) && !between.some((end) => applied.has(end)),
      );
      const meets = plant.links.some(
        (link) =>
          barred.has(link.id) && this.isThrough(link) && link.between.some((end) => walk.has(end)),
      );
      if (meets) return false;
    }
    const reliefs = plant.links.filter(({ kind }) => kind === 'relief-valve');
    for (const id of new Set(reliefs.flatMap(({ protects = [] }) => protects))) {
      if (!isLive(id)) continue;
      const own = reliefs.filter(({ protects = [] }) => protects.includes(id));
      const serves = (of: IsolationPlan | 'as it stands') =>
        own.some(
          ({ between, seized }) => !seized && between.some((end) => partOf(id, of).has(end)),
        );
      if (serves('as it stands') && !serves(plan)) return false;
    }
    return true;
  }
}

const without = (ids: ReadonlySet<string>, id: string) =>
  new Set([...ids].filter((one) => one !== id));

function never(): never {
  throw new Error('there is no outlet');
}
