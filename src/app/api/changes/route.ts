import { InputFault } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { followText, readFollow, type Followed } from '@/core/scene/follow';
import { NotFoundFault } from '@/server/faults';
import { handler } from '@/server/http/problem';
import { feed, type Listener } from '@/server/live/feed';
import { scenesThatAre } from '@/server/queries/scenes';

export const dynamic = 'force-dynamic';

/** A line now and then keeps the connection open, and tells when it is not any more, ms. */
const PULSE_MS = 15_000;
const PERSON_ID = /^[a-z0-9-]{8,64}$/;

/** What others change in the scenes that a browser has open, as server-sent events, from what is known of each on. */
export const GET = handler(async (request) => {
  const { searchParams } = new URL(request.url);
  const asked = followed(searchParams.get('follow') ?? '');
  // After a break the browser says by itself what it saw last.
  const seen = followed(request.headers.get('last-event-id') ?? '');
  const person = {
    id: searchParams.get('person') ?? '',
    name: (searchParams.get('name') ?? '').slice(0, LIMITS.authorLength),
  };
  if (!PERSON_ID.test(person.id)) throw new InputFault('person must be 8 to 64 of a-z, 0-9 and -.', 'person');
  const there = await scenesThatAre(asked.map(({ sceneId }) => sceneId));
  if (there.size === 0) throw new NotFoundFault('None of these scenes is there.');
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
      const listeners = asked
        .filter(({ sceneId }) => there.has(sceneId))
        .map(({ sceneId, known }): Listener => {
          const last = seen.find((one) => one.sceneId === sceneId)?.known ?? known;
          return {
            sceneId,
            known: last,
            person,
            send: (event) =>
              write(`id: ${followText(listeners)}\ndata: ${JSON.stringify({ sceneId, ...event })}\n\n`),
          };
        });
      const gone = listeners.map((listener) => feed().listen(listener));
      leave = () => {
        clearInterval(pulse);
        for (const one of gone) one();
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

function followed(text: string): Followed[] {
  const all = readFollow(text);
  if (all && all.length <= LIMITS.followedScenes) return all;
  throw new InputFault(
    `follow is written like ID:17.4, with commas between: a scene, its revision, and the change of its project; of at most ${LIMITS.followedScenes} scenes.`,
    'follow',
  );
}
