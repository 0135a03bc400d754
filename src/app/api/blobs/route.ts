import { LIMITS } from '@/core/limits';
import { WrongTypeFault } from '@/server/faults';
import { bytesOf, typeOf } from '@/server/http/body';
import { handler } from '@/server/http/problem';
import { keepBlob } from '@/server/queries/blobs';
import { readSent } from '@/server/reading/reader';

export const dynamic = 'force-dynamic';

interface KeptKind {
  /** Bytes of a file. */
  most: number;
  /** @returns what is told of a file that fits */
  read(bytes: Uint8Array): Promise<object>;
}

/** Files that are kept, by their types. */
const KINDS: Readonly<Record<string, KeptKind>> = {
  'image/png': {
    most: LIMITS.pictureBytes,
    async read(bytes) {
      const { width, height } = await readSent('picture', bytes);
      return { widthPx: width, heightPx: height };
    },
  },
  'text/plain': { most: LIMITS.tableBytes, read: (bytes) => readSent('table', bytes) },
};

/** Takes a PNG file, or a lookup table as text, and answers its hash. */
export const POST = handler(async (request) => {
  const type = typeOf(request);
  if (!Object.hasOwn(KINDS, type))
    throw new WrongTypeFault(
      `The body must be ${Object.keys(KINDS).join(' or ')}; got ${type === '' ? 'none' : type}.`,
    );
  const { most, read } = KINDS[type];
  const bytes = await bytesOf(request, type, most);
  const told = await read(bytes);
  return Response.json({ sha256: await keepBlob(bytes, type), ...told }, { status: 201 });
});
