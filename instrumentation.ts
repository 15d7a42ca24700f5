/** Called once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    const { startServer } = await import('./server/lifecycle');
    await startServer();
  }
}
