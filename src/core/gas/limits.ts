/** How long a bump test is good for (h). Source: practice, before each day's use. */
export const BUMP_HOURS = 24;

/** A catalytic sensor burns what it senses: below this its reading is no reading (% vol oxygen). Source: practice, 10 to 15 %. */
export const LEAST_OXYGEN_TO_BURN = 15;
