'use client';

import { useEffect, useState } from 'react';
import type { IsolationPlan } from '../../core/plant/schema';
import { ask } from './ask';

/** The server's answer about a plan, asked anew a little after each change; the last one stays until the next is there. */
export function useAsked<T>(url: string, plan: IsolationPlan, delayMs: number): T | undefined {
  const { close, open, restrain, stand } = plan;
  const [answer, setAnswer] = useState<T>();
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      void ask<T>(url, { close, open, restrain, ...(stand ? { stand } : {}) }).then((said) => {
        if (current && said) setAnswer(() => said);
      });
    }, delayMs);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [url, close, open, restrain, stand, delayMs]);
  return answer;
}
