import { decideJob, evolveDossier, type Command, type DossierState } from '../../../src/core/job';
import { buildGraph } from '../../../src/core/plant';
import {
  APPROVED,
  carryOut,
  contextFor,
  HANDED_BACK,
  ISSUE,
  LIVE,
  restoreSteps,
  site,
  START,
  WALKED,
  type RefusalRow,
} from '../seal-change';

const operator = 'Holmfell Grid';
/** The same site, where the pump's breaker is operated by somebody else alone. */
const { plant } = site.graph;
export const FOREIGN = {
  ...site,
  graph: buildGraph({
    ...plant,
    links: plant.links.map((link) =>
      link.id === 'CB-P201' ? { ...link, operated_by: operator } : link,
    ),
  }),
};
const there = { site: FOREIGN };

const ASK = { kind: 'ask-clearance', operator, whom: 'their desk', what: 'CB-P201' } satisfies Command; // prettier-ignore
const take = (until: string): Command => ({
  kind: 'take-clearance',
  operator,
  number: 'HG-117',
  person: 'their shift engineer',
  isolates: 'CB-P201',
  earths: 'none, low voltage',
  until,
});
const TAKE = take('2026-11-24T13:00:00.000Z');
const BACK = { kind: 'return-clearance', operator, person: 'their shift engineer', seen: 'all off' } satisfies Command; // prettier-ignore

const given = (state: DossierState, ...commands: Command[]): DossierState =>
  commands.reduce<DossierState>((before, command) => {
    const context = { ...contextFor('ada', ['ada']), ...there };
    const decision = decideJob(before, command, context);
    if (!decision.ok) throw new Error(decision.refusals.map(({ code }) => code).join(' '));
    const mark = { by: 'ada', at: START };
    return decision.events.reduce<DossierState>((one, event) => evolveDossier(one, event, mark), before); // prettier-ignore
  }, state);
/** States of the seal change with the clearance asked for, given and handed back. */
export const ASKED = (state = WALKED()) => given(state, ASK);
export const GIVEN = (state = WALKED()) => given(state, ASK, TAKE);
const RETURNING = () => {
  const state = carryOut(HANDED_BACK, given(LIVE(), ASK, TAKE));
  const steps = restoreSteps(state);
  const start = steps.findIndex(([, { kind }]) => kind === 'see-start');
  return { state: carryOut(steps.slice(0, start), state), start: steps[start]?.[1] as Command };
};
/** Cancelled before anybody was at the plant. */
const GIVEN_UP = () => carryOut([['hana', { kind: 'cancel-permit', reason: 'put off' }]], GIVEN());
const LOCK: Command = { kind: 'lock-point', link: 'CB-P201', lock: 'E-01', tag: 'T-1' };
const walkedTo = (state: DossierState) =>
  carryOut(
    [
      ['ada', { kind: 'tell-affected', who: 'control room' }],
      ['cora', { kind: 'stop-plant', how: 'stopped at the panel' }],
    ],
    state,
  );

/** Steps about the network of somebody else that are refused, with the codes. */
export const CLEARANCE_ROWS: RefusalRow[] = [
  ['asked of somebody who operates nothing of it', WALKED, 'ada', ASK, ['clearance-unknown']],
  ['asked by a worker', WALKED, 'kit', ASK, ['role-missing'], there],
  ['taken before it was asked for', WALKED, 'ada', TAKE, ['clearance-not-asked'], there],
  ['taken with an end that is past', ASKED, 'ada', take('2026-11-24T07:00:00.000Z'), ['clearance-until-past'], there],
  ['handed back and never given', ASKED, 'ada', BACK, ['clearance-not-held', 'permit-open'], there],
  ['handed back while the permit is out', () => GIVEN(LIVE()), 'ada', BACK, ['permit-open', 'points-locked'], there],
  ['a point of theirs locked before they cleared it', () => walkedTo(WALKED()), 'elif', LOCK, ['clearance-missing'], there],
  ['a point of theirs locked after their clearance', () => walkedTo(GIVEN()), 'elif', LOCK, [], there],
  ['a point of theirs locked after its end', () => walkedTo(GIVEN()), 'elif', LOCK, ['clearance-over'], { ...there, now: '2026-11-24T13:00:00.001Z' }],
  ['issued without it', APPROVED, 'hana', ISSUE, ['clearance-missing'], there],
  ['issued for longer than it', () => GIVEN(APPROVED()), 'hana', ISSUE, ['clearance-shorter'], there],
  ['issued up to its end', () => GIVEN(APPROVED()), 'hana', { ...ISSUE, hours: 6 } as Command, [], there],
  ['signed on without it', LIVE, 'hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }, ['clearance-missing'], there],
  ['handed back where the plan has done without it since', () => RETURNING().state, 'ada', BACK, []],
  ['closed with it, by a job that was given up', GIVEN_UP, 'ada', { kind: 'close-job' }, ['clearance-not-returned'], there],
  ['started before it is handed back', () => RETURNING().state, 'cora', RETURNING().start, ['clearance-not-returned'], there],
  ['started after it', () => given(RETURNING().state, BACK), 'cora', RETURNING().start, [], there],
]; // prettier-ignore
