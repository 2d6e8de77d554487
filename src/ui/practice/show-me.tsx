'use client';

import 'driver.js/dist/driver.css';
import { driver } from 'driver.js';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { signIn } from '../shell/sign-in-at';
import { goTo, stopShowing, type Showing } from './showing';
import { findControl, SHOW_STEPS, type ShowStep } from './steps';

/** So often the screen is looked at for the control of a step (ms), and for so long: a plan may take a while to be worked out. */
const LOOK_MS = 150;
const LONGEST_MS = 90_000;

/** Puts words into a field as typing does. */
function fill(field: HTMLInputElement, text: string): void {
  const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value');
  value?.set?.call(field, text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/** Waits for something to be on the screen, until nobody wants it any more. */
async function waitFor<Found>(
  look: () => Found | null | undefined,
  isOver = () => false,
): Promise<Found | undefined> {
  for (let turn = 0; turn < LONGEST_MS / LOOK_MS && !isOver(); turn++) {
    const found = look();
    if (found !== null && found !== undefined) return found;
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  }
  return undefined;
}

/** The button of the top bar that names somebody as signed in. */
const findSignedIn = (name: string) =>
  [...document.querySelectorAll('header button')].find((one) => one.textContent?.includes(name));

/** Does a step in place of whoever watches, by the same presses. */
async function act(
  step: ShowStep,
  control: HTMLElement,
  pins: Showing['pins'],
  onRefresh: () => void,
): Promise<void> {
  const { does } = step;
  switch (does.by) {
    case 'press':
      return control.click();
    case 'type':
      return fill(control as HTMLInputElement, does.text);
    case 'pick': {
      control.click();
      const choice = await waitFor(() =>
        document.querySelector<HTMLElement>(`[role="option"][data-id="${does.id}"]`),
      );
      return choice?.click();
    }
    case 'sign': {
      const field = control.querySelector<HTMLInputElement>(`input[name="${does.person}"]`);
      if (field) fill(field, pins[does.person] ?? '');
      return control.querySelector<HTMLButtonElement>('button.btn-primary')?.click();
    }
    case 'take-over':
      await signIn(does.person, pins[does.person] ?? '');
      onRefresh();
      // What is pressed before the page knows who is signed in would be signed by the one before.
      await waitFor(() => findSignedIn(does.name));
      return;
    case 'look':
      return;
  }
}

/** Whether somebody has done a step with their own hands. */
function isDoneByHand({ does }: ShowStep, control: HTMLElement): boolean {
  if (does.by === 'type')
    return (control as HTMLInputElement).value !== '' && control !== document.activeElement;
  if (does.by === 'pick') return (control.textContent ?? '').includes(does.id);
  return does.by === 'sign' && !control.isConnected;
}

/** What the button says that does a step. */
function sayDoes({ does }: ShowStep): string {
  switch (does.by) {
    case 'press':
      return 'Press it for me';
    case 'type':
      return 'Type it for me';
    case 'pick':
      return 'Pick it for me';
    case 'sign':
      return 'Type the PIN and sign';
    case 'take-over':
      return `Let ${does.name} take over`;
    case 'look':
      return 'Go on';
  }
}

/** Shows one step: lights its control up, says what happens there, and goes on once it is done. */
function showStep(showing: Showing, onRefresh: () => void): () => void {
  const { step: at, pins } = showing;
  const step = SHOW_STEPS[at];
  if (!step) return () => undefined;
  let isOver = false;
  const light = driver({
    allowClose: false,
    overlayOpacity: 0.35,
    stagePadding: 6,
    animate: false,
    popoverClass: 'show-me',
  });
  const onward = () => {
    if (isOver) return;
    isOver = true;
    light.destroy();
    if (at + 1 < SHOW_STEPS.length) goTo(showing, at + 1);
    else stopShowing();
  };
  const show = async () => {
    const control = await waitFor(
      () => findControl(step, document),
      () => isOver,
    );
    if (isOver) return;
    if (!control) return stopShowing();
    const by = step.does.by;
    if (by === 'press') control.addEventListener('click', onward, { once: true });
    light.highlight({
      element: control,
      popover: {
        title: `${at + 1} of ${SHOW_STEPS.length}: ${step.title}`,
        description: step.says,
        showButtons: ['next', 'previous'],
        nextBtnText: sayDoes(step),
        prevBtnText: 'Stop showing',
        onNextClick: () => {
          light.destroy();
          void act(step, control, pins, onRefresh).then(onward);
        },
        onPrevClick: () => {
          isOver = true;
          light.destroy();
          stopShowing();
        },
      },
    });
    while (!isOver) {
      if (isDoneByHand(step, control)) return onward();
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  };
  void show();
  return () => {
    isOver = true;
    light.destroy();
  };
}

/** Walks somebody through one job with real presses, step by step, over every page. */
export function ShowMe({ showing }: { readonly showing: Showing }) {
  const router = useRouter();
  useEffect(() => showStep(showing, () => router.refresh()), [showing, router]);
  return null;
}
