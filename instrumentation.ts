/** Called once when the server starts: it hands the server what it must not know by itself, the demo and the stand-in devices. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    const { startServer } = await import('./server/lifecycle');
    const { seedDemo } = await import('./demo/seed');
    const { runSimulatedProbes } = await import('./devices/simulatedProbes');
    await startServer({ seedDemo, runDevices: runSimulatedProbes });
  }
}
