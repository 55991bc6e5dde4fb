/** Milliseconds of work after which other work has its turn. */
export const SLICE = 8;

const waiting: (() => void)[] = [];
let channel: MessageChannel | undefined;

/** Lets input, drawing and other work have their turn, without the wait that timers have. */
export function nextTurn(): Promise<void> {
  if (!channel) {
    channel = new MessageChannel();
    channel.port1.onmessage = () => waiting.shift()?.();
  }
  const { port2 } = channel;
  return new Promise((resolve) => {
    waiting.push(resolve);
    port2.postMessage(undefined);
  });
}
