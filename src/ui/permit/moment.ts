/** A moment by the clock and how far off it is: "14:30 (in 12 min)". */
export function sayMoment(at: string, now: string): string {
  const minutes = Math.round((Date.parse(at) - Date.parse(now)) / 60_000);
  const clock =
    at.slice(0, 10) === now.slice(0, 10) ? at.slice(11, 16) : at.slice(0, 16).replace('T', ' ');
  const far = Math.abs(minutes);
  const words = far < 120 ? `${far} min` : `${(far / 60).toFixed(1)} h`;
  return `${clock} UTC (${minutes < 0 ? `${words} ago` : `in ${words}`})`;
}
