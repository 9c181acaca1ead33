// A thread that asks for something small again and again until it is told that it is enough, and tells the longest that it waited: whoever sends and takes megabytes in the same thread would wait for itself.
import { once } from 'node:events';
import { setTimeout } from 'node:timers/promises';
import { parentPort, workerData as address } from 'node:worker_threads';

let [longest, isEnough] = [0, false];
const ask = async () => {
  const asked = performance.now();
  await (await fetch(address)).arrayBuffer();
  return performance.now() - asked;
};
// Connected before it counts.
await ask();
void once(parentPort, 'message').then(() => (isEnough = true));
parentPort.postMessage('ready');
while (!isEnough) {
  longest = Math.max(longest, await ask());
  await setTimeout(10);
}
parentPort.postMessage(longest);
parentPort.close();
