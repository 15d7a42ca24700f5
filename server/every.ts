/** Runs work again and again, never twice at once; what it throws is told. @returns ends it */
export function every(ms: number, work: () => Promise<void>, onTrouble: (error: unknown) => void): () => void {
  let busy = false;
  const timer = setInterval(() => {
    if (busy) return;
    busy = true;
    work()
      .catch(onTrouble)
      .finally(() => {
        busy = false;
      });
  }, ms);
  timer.unref();
  return () => clearInterval(timer);
}
