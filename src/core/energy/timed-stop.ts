/** One stop that was timed: from a speed (rad/s, above 0) to rest in so many seconds (above 0). */
export interface TimedStop {
  readonly speed: number;
  readonly seconds: number;
}

/** Mean friction torque (N m) of a timed stop of a rotor of known inertia (kg m²): I w / t. Source: textbook mechanics. */
export const computeMeanFriction = (inertia: number, { speed, seconds }: TimedStop): number =>
  (inertia * speed) / seconds;

/** Inertia (kg m²) of a rotor that a known mean torque (N m) stopped: M t / w. Source: the same, turned round. */
export const computeInertiaFromStop = (torque: number, { speed, seconds }: TimedStop): number =>
  (torque * seconds) / speed;

/**
 * The longest time (s) to rest from another speed, whatever the friction, as long as it never grows less with speed: from a lower speed no longer
 * than the stop that was timed, from a higher one no longer than in proportion. Source: equation of motion, with dw/dt at least as large above a
 * speed as it was on the mean below it.
 */
export const computeLongestStop = ({ speed, seconds }: TimedStop, from: number): number =>
  from <= speed ? seconds : (seconds * from) / speed;

/** Time (s) to rest from another speed under a friction that does not depend on speed: in proportion. Source: I dw/dt = -M. */
export const computeStopInProportion = ({ speed, seconds }: TimedStop, from: number): number =>
  (seconds * from) / speed;
