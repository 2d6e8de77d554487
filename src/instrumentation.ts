/** Runs once when the server starts: the watch over detectors goes on from then, whether anyone looks or not. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { startServer } = await import('./server/start');
  startServer();
}
