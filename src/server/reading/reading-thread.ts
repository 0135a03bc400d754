/** The thread on which what people send is read. */
import { parentPort } from 'node:worker_threads';
import { faultOf, READINGS, type ReadingAnswer, type ReadingQuestion } from './readings';

const port = parentPort!;

port.on('message', ({ id, kind, bytes }: ReadingQuestion) => {
  void Promise.resolve()
    .then(() => READINGS[kind](bytes))
    .then((read): ReadingAnswer => ({ id, read }))
    .catch((thrown: unknown): ReadingAnswer => ({ id, fault: faultOf(thrown) }))
    .then((answer) => port.postMessage(answer));
});
