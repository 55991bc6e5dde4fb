/**
 * Lets requests go one after the other, so that a slow database does not take all connections. One that is
 * given up before its turn comes is not sent.
 */
export function createTurns(): <T>(ask: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  return (ask) => {
    const asked = last.then(ask);
    last = asked;
    return asked;
  };
}
