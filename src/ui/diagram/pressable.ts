import type { KeyboardEvent } from 'react';

/**
 * Makes a part of a diagram a button; nothing of the kind where there is nothing to do. The tab key passes over the hundred of them: whoever
 * works by keyboard finds a tag, and stands on it.
 */
export const pressable = (tag: string, label: string, press: (() => void) | undefined) =>
  press === undefined
    ? {}
    : {
        role: 'button',
        tabIndex: -1,
        'data-tag': tag,
        'aria-label': label,
        className: 'cursor-pointer',
        onClick: press,
        onKeyDown: (event: KeyboardEvent) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          press();
        },
      };
