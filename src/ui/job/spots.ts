import type { RuleCode } from '../../core/rules/book';

/** The tabs of a job. Each job shows those that it has. */
export type TabId =
  | 'stage'
  | 'diagram'
  | 'papers'
  | 'air'
  | 'entry'
  | 'hot-work'
  | 'locks'
  | 'checks'
  | 'neighbours'
  | 'run-up'
  | 'kit'
  | 'briefing'
  | 'clearing'
  | 'energy'
  | 'photographs'
  | 'report';

/** The forms in which something that holds a job up is cleared, and the tab where each lies once the job has it. */
const SPOTS = {
  plan: 'stage',
  review: 'stage',
  'walk-down': 'stage',
  steps: 'stage',
  alarm: 'stage',
  stop: 'stage',
  account: 'stage',
  box: 'locks',
  'test-run': 'stage',
  'unfit-lock': 'stage',
  papers: 'papers',
  assess: 'stage',
  permit: 'stage',
  duties: 'stage',
  revalidate: 'stage',
  crews: 'stage',
  firms: 'stage',
  barriers: 'stage',
  kit: 'kit',
  briefing: 'briefing',
  cylinders: 'hot-work',
  'pressure-repair': 'stage',
  clearances: 'stage',
  'gas-test': 'stage',
  'hand-back': 'stage',
  tail: 'stage',
  'close-permit': 'stage',
  bypasses: 'stage',
  defects: 'stage',
  inspection: 'stage',
  air: 'air',
  'air-log': 'air',
  inside: 'entry',
  opening: 'entry',
  'entry-plan': 'entry',
  cold: 'hot-work',
  breathing: 'hot-work',
  radius: 'hot-work',
  monitors: 'hot-work',
  neighbours: 'neighbours',
  'run-up': 'run-up',
  clearing: 'clearing',
  pig: 'clearing',
  messages: 'clearing',
  'window-call': 'run-up',
  restore: 'stage',
  blanks: 'stage',
  sums: 'energy',
} as const satisfies Record<string, TabId>;

type Spot = keyof typeof SPOTS;

/** Where each rule that can hold a job up is cleared. */
export const CLEARED_AT: Readonly<Partial<Record<RuleCode, Spot>>> = {
  'test-not-worked-out': 'sums',
  'briefing-missing': 'briefing',
  'briefing-old': 'briefing',
  'leader-not-briefed': 'briefing',
  'not-briefed': 'briefing',
  'cylinders-unsaid': 'cylinders',
  'pressure-repair-unwritten': 'pressure-repair',
  'pressure-repair-over': 'pressure-repair',
  'too-hot': 'sums',
  'plan-missing': 'plan',
  'plan-stops': 'plan',
  'plan-not-submitted': 'plan',
  'plan-drops-standing': 'plan',
  'plant-changed': 'plan',
  'fitting-not-covered': 'plan',
  'way-not-locked': 'plan',
  'scope-gone': 'plan',
  'plans-contradict': 'plan',
  'plan-not-reviewed': 'review',
  'not-walked-down': 'walk-down',
  'plant-outgrew-plan': 'walk-down',
  'reading-not-dead': 'steps',
  'it-moved': 'steps',
  'not-told': 'steps',
  'not-stopped': 'steps',
  'locks-missing': 'steps',
  'way-stays-shut': 'steps',
  'way-not-seen': 'steps',
  'not-let-down': 'steps',
  'not-proved': 'steps',
  'not-tried': 'steps',
  'scope-changed': 'steps',
  'shift-changed': 'steps',
  'left-unattended': 'steps',
  'after-alarm': 'steps',
  'after-test': 'steps',
  'after-unfit-lock': 'steps',
  'after-defect': 'steps',
  'dead-gauge-proof': 'steps',
  'label-defect': 'walk-down',
  'defect-since-plan': 'defects',
  'defect-breaks-plan': 'defects',
  'critical-unguarded': 'defects',
  'critical-guard-over': 'defects',
  'change-breaks-plan': 'defects',
  'barriers-missing': 'barriers',
  'kit-unknown': 'kit',
  'kit-missing': 'kit',
  'kit-unsafe': 'kit',
  'kit-undated': 'kit',
  'kit-out-of-date': 'kit',
  'joints-uncounted': 'kit',
  'gas-test-unapproved': 'gas-test',
  'watch-end-untold': 'tail',
  'clearing-unplanned': 'clearing',
  'line-not-walked': 'pig',
  'line-under-pressure': 'pig',
  'pig-under-way': 'pig',
  'pig-is-stuck': 'pig',
  'message-missing': 'messages',
  'message-open': 'messages',
  'window-not-called': 'window-call',
  'window-not-returned': 'window-call',
  'clearance-missing': 'clearances',
  'clearance-over': 'clearances',
  'clearance-not-returned': 'clearances',
  'change-unreviewed': 'defects',
  'change-turned-down': 'defects',
  'change-time-over': 'defects',
  'change-untold': 'defects',
  'change-not-drawn': 'defects',
  'alarm-standing': 'alarm',
  'work-stopped': 'stop',
  'unfit-on-point': 'unfit-lock',
  'test-open': 'test-run',
  'box-not-locked': 'box',
  'bypass-not-allowed': 'bypasses',
  'bypass-over': 'bypasses',
  'inspection-due': 'inspection',
  'not-screened': 'papers',
  'screening-open': 'papers',
  'not-assessed': 'assess',
  'hazard-not-treated': 'assess',
  'not-approved': 'permit',
  'not-issued': 'permit',
  'permit-lapsed': 'hand-back',
  'not-revalidated': 'revalidate',
  'duty-missing': 'duties',
  'people-on': 'crews',
  'crews-on': 'crews',
  'still-held': 'hand-back',
  'tail-running': 'tail',
  'tail-final-missing': 'tail',
  'permit-open': 'close-permit',
  'air-not-tested': 'air',
  'air-unfit': 'air',
  'air-test-old': 'air',
  'air-places-left': 'air',
  'air-not-covered': 'air-log',
  'detector-silent': 'air-log',
  'entry-not-planned': 'entry-plan',
  'rescue-not-practised': 'entry-plan',
  'rescue-in-future': 'entry-plan',
  'rescue-by-device': 'entry-plan',
  'space-unknown': 'entry-plan',
  'space-shut': 'opening',
  'space-unchecked': 'opening',
  'purge-missing': 'opening',
  'purge-running': 'opening',
  'test-before-purge': 'air',
  'people-inside': 'inside',
  'not-accounted': 'account',
  'tools-inside': 'inside',
  'call-late': 'inside',
  'stay-over': 'inside',
  'cold-not-asked': 'cold',
  'can-be-cold': 'cold',
  'breathes-out': 'breathing',
  'surroundings-open': 'radius',
  'monitors-few': 'monitors',
  'sparks-by-open-line': 'neighbours',
  'entry-while-let-down': 'neighbours',
  'test-start-coupled': 'neighbours',
  'lift-over-crew': 'neighbours',
  'rays-by-crew': 'neighbours',
  'pressure-test-by-crew': 'neighbours',
  'line-cleared-by-crew': 'neighbours',
  'point-both-ways': 'neighbours',
  'blanks-in': 'blanks',
  'box-still-locked': 'restore',
  'points-locked': 'restore',
  'leak-test-missing': 'restore',
  'line-leaks': 'restore',
  'lineup-missing': 'restore',
  'position-wrong': 'restore',
  'start-not-seen': 'restore',
  'not-taken-back': 'restore',
};

/** How long a part that is only now loaded is waited for (ms). */
const LONGEST_WAIT_MS = 4000;

/** Leads to a spot once it is on the screen: what folds it opens, it scrolls to the middle, and its first field has the focus. */
function leadTo(spot: Spot): void {
  const since = performance.now();
  const look = () => {
    const found = document.querySelector<HTMLElement>(`[data-spot="${spot}"]`);
    // A part that is hidden in another tab has no size.
    if (!found || found.getClientRects().length === 0) {
      if (performance.now() - since < LONGEST_WAIT_MS) requestAnimationFrame(look);
      return;
    }
    for (let at: HTMLElement | null = found; at; at = at.parentElement) {
      if (at instanceof HTMLDetailsElement) at.open = true;
    }
    found.scrollIntoView({ block: 'center' });
    found
      .querySelector<HTMLElement>('input:not([type=hidden]), select, textarea, button, summary')
      ?.focus({ preventScroll: true });
  };
  requestAnimationFrame(look);
}

/** Shows the work of the stage, once its tab stands open. */
export function goToWork(onShow: (tab: TabId) => void): void {
  onShow('stage');
  requestAnimationFrame(() => document.getElementById('workspace')?.scrollIntoView());
}

/** How many of the rules that hold a job up are cleared in a tab. */
export const countIn = (tab: TabId, holding: readonly { readonly code: RuleCode }[]): number =>
  holding.filter(({ code }) => {
    const spot = CLEARED_AT[code];
    return spot !== undefined && SPOTS[spot] === tab;
  }).length;

/**
 * Leads to where a rule is cleared, by way of the tab that it lies in; a tab that the job does not have, or a rule without a place, gives way to the work of its
 * stage.
 */
export function leadFrom(
  code: RuleCode,
  tabs: readonly { readonly id: TabId }[],
  onShow: (tab: TabId) => void,
): void {
  const spot = CLEARED_AT[code];
  if (spot === undefined) return goToWork(onShow);
  onShow(tabs.some(({ id }) => id === SPOTS[spot]) ? SPOTS[spot] : 'stage');
  leadTo(spot);
}
