import type { KeyboardEvent } from 'react';

/** Makes a part of a diagram a button, for pointer and keyboard; nothing of the kind where there is nothing to do. */
export const pressable = (label: string, press: (() => void) | undefined) =>
  press === undefined
    ? {}
    : {
        role: 'button',
        tabIndex: 0,
        'aria-label': label,
        className: 'cursor-pointer',
        onClick: press,
        onKeyDown: (event: KeyboardEvent) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          press();
        },
      };
