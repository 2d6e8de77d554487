/**
 * Density of air-free water at 1 atm (kg/m³), valid 0 to 150 °C.
 * Source: G. S. Kell, J. Chem. Eng. Data 20 (1975) 97; coefficients written from memory, checked in tests/reference.
 */
export function computeWaterDensity(celsius: number): number {
  const t = celsius;
  const numerator =
    999.83952 +
    t *
      (16.945176 +
        t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - t * 280.54253e-12))));
  return numerator / (1 + 16.87985e-3 * t);
}

/**
 * Isothermal compressibility of water at 1 atm (1/bar), valid 0 to 100 °C.
 * Source: G. S. Kell, J. Chem. Eng. Data 20 (1975) 97; coefficients written from memory, checked in tests/reference.
 */
export function computeWaterCompressibility(celsius: number): number {
  const t = celsius;
  const numerator =
    50.88496 +
    t * (0.6163813 + t * (1.459187e-3 + t * (20.08438e-6 + t * (-58.47727e-9 + t * 410.411e-12))));
  return (numerator / (1 + 19.67348e-3 * t)) * 1e-6;
}
