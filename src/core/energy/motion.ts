/** Standard acceleration of free fall (m/s²). Source: CGPM 1901; NIST SP 330. */
export const GRAVITY = 9.80665;

/** Energy (J) of a spring of `stiffness` (N/m) held `travel` (m) from its rest: c x²/2. */
export const computeSpringEnergy = (stiffness: number, travel: number): number =>
  (stiffness * travel * travel) / 2;

/** Energy (J) and impact speed (m/s) of `mass` (kg) that can fall `height` (m). */
export const computeFall = (mass: number, height: number) => ({
  energy: mass * GRAVITY * height,
  speed: Math.sqrt(2 * GRAVITY * height),
});

/** Energy (J) of a rotor of `inertia` (kg m²) at `speed` (rad/s): I w²/2. */
export const computeRotorEnergy = (inertia: number, speed: number): number =>
  (inertia * speed * speed) / 2;

/** Moment of inertia (kg m²) of a solid disc of `mass` (kg) and `radius` (m): m r²/2. */
export const computeDiscInertia = (mass: number, radius: number): number =>
  (mass * radius * radius) / 2;

/** Time (s) to standstill under a constant friction `torque` (N m, above 0): I w/M. */
export const computeCoastDown = (inertia: number, speed: number, torque: number): number =>
  (inertia * speed) / torque;
