import { InputFault } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import type { FeedEvent } from '@/core/scene/changes';
import { handler } from '@/server/http/problem';
import type { RecordContext } from '@/server/http/records';
import { feed } from '@/server/live/feed';
import { expectScene } from '@/server/queries/scenes';

export const dynamic = 'force-dynamic';

/** A line now and then keeps the connection open, and tells when it is not any more, ms. */
const PULSE_MS = 15_000;
const PERSON_ID = /^[a-z0-9-]{8,64}$/;

/** What others change in a scene, as server-sent events, from what is known on. */
export const GET = handler<RecordContext>(async (request, { params }) => {
  const { id } = await params;
  const { searchParams } = new URL(request.url);
  // After a break the browser says by itself what it saw last.
  const [revision, changeNumber] = (request.headers.get('last-event-id') ?? searchParams.get('known') ?? '')
    .split('.')
    .map(Number);
  if (!Number.isInteger(revision) || !Number.isInteger(changeNumber))
    throw new InputFault('known is written like 17.4: the revision, and the change of the project.', 'known');
  const person = {
    id: searchParams.get('person') ?? '',
    name: (searchParams.get('name') ?? '').slice(0, LIMITS.authorLength),
  };
  if (!PERSON_ID.test(person.id)) throw new InputFault('person must be 8 to 64 of a-z, 0-9 and -.', 'person');
  await expectScene(id);
  let leave = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const encoder = new TextEncoder();
      const write = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          leave();
        }
      };
      const pulse = setInterval(() => write(': here\n\n'), PULSE_MS);
      const gone = feed().listen({
        sceneId: id,
        known: { revision, changeNumber },
        person,
        send: (event) => write(textOf(event)),
      });
      leave = () => {
        clearInterval(pulse);
        gone();
      };
      request.signal.addEventListener('abort', leave);
      write('retry: 1000\n\n');
    },
    cancel() {
      leave();
    },
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store, no-transform',
      // A server in front passes each event on at once.
      'x-accel-buffering': 'no',
    },
  });
});

function textOf(event: FeedEvent): string {
  const id = event.kind === 'changes' ? `id: ${event.revision}.${event.changeNumber}\n` : '';
  return `${id}data: ${JSON.stringify(event)}\n\n`;
}
