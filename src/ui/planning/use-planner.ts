'use client';

import { useEffect, useRef, useState } from 'react';
import type { Aim, PlanAnswer, PlanningPhase, PlanningResult } from '../../core/isolation';
import type { PlanningProblem } from '../../core/isolation/problem';
import type { PlannerWord, Trip } from './planner.worker';

/** How far a planning run is, and what it has found so far. */
export interface PlanningRun {
  readonly state: 'idle' | 'running' | 'done' | 'stopped' | 'failed';
  readonly searching?: PlanningPhase;
  readonly answers: Readonly<Partial<Record<Aim, PlanAnswer>>>;
  readonly trips: Readonly<Partial<Record<Aim, Trip>>>;
  readonly result?: PlanningResult;
}

const IDLE: PlanningRun = { state: 'idle', answers: {}, trips: {} };

function hear(run: PlanningRun, word: PlannerWord): PlanningRun {
  switch (word.kind) {
    case 'searching':
      return { ...run, searching: word.what };
    case 'answer':
      return {
        ...run,
        answers: { ...run.answers, [word.aim]: word.answer },
        trips: { ...run.trips, [word.aim]: word.trip },
      };
    case 'done':
      return { ...run, state: 'done', result: word.result };
  }
}

/** Plans in a worker of its own what `url` asks, so that the screen stays free; what was found stays when it is stopped. */
export function usePlanner(url: string) {
  const [run, setRun] = useState<PlanningRun>(IDLE);
  const worker = useRef<Worker>(undefined);
  const end = () => {
    worker.current?.terminate();
    worker.current = undefined;
  };
  useEffect(() => end, []);
  const fail = () => {
    end();
    setRun((now) => ({ ...now, state: 'failed' }));
  };
  const start = async () => {
    end();
    setRun({ state: 'running', answers: {}, trips: {} });
    const answer = await fetch(url).catch(() => undefined);
    if (!answer?.ok) return fail();
    const question = (await answer.json()) as PlanningProblem;
    const made = new Worker(new URL('./planner.worker.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    made.onmessage = ({ data }: MessageEvent<PlannerWord>) => {
      setRun((now) => hear(now, data));
      if (data.kind === 'done') end();
    };
    made.onerror = fail;
    made.postMessage(question);
  };
  const stop = () => {
    end();
    setRun((now) => ({ ...now, state: 'stopped' }));
  };
  return { run, start: () => void start(), stop };
}
