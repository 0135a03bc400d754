/** A thread on which what people send is read. */
import { parentPort } from 'node:worker_threads';
import { faultOf, READINGS, type ReadingQuestion, type ReadingResult } from './readings';

async function read({ kind, bytes }: ReadingQuestion): Promise<ReadingResult> {
  try {
    return { read: await READINGS[kind](bytes) };
  } catch (thrown) {
    return { fault: faultOf(thrown) };
  }
}

parentPort!.on('message', (question: ReadingQuestion) => {
  void read(question).then((result) => parentPort!.postMessage(result));
});
