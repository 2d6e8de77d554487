'use client';

import { useEffect, useState } from 'react';
import { ask } from './ask';

/**
 * The server's answer to a question, asked anew a little after it changes; the last answer stays until the next is there. What is asked is
 * compared as it would be sent.
 */
export function useAsked<T>(url: string, question: unknown, delayMs: number): T | undefined {
  const sent = JSON.stringify(question);
  const [answer, setAnswer] = useState<T>();
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      void ask<T>(url, JSON.parse(sent)).then((said) => {
        if (current && said) setAnswer(() => said);
      });
    }, delayMs);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [url, sent, delayMs]);
  return answer;
}
