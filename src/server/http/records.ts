/** What scenes and projects have in common over HTTP: renaming, the bin, and the way out of it. */
import { InputFault } from '@/core/faults';
import { jsonOf, nameOf } from './body';
import { handler } from './problem';

export interface RecordContext {
  params: Promise<{ id: string }>;
}

interface RecordQueries {
  rename(id: string, name: string): Promise<void>;
  bin(id: string): Promise<void>;
  restore(id: string): Promise<void>;
  destroyBinned(id: string): Promise<void>;
}

/** PATCH with `name` renames, with `isBinned` bins or restores; DELETE takes what lies in the bin away for good. */
export function recordRoutes({ rename, bin, restore, destroyBinned }: RecordQueries) {
  return {
    PATCH: handler<RecordContext>(async (request, { params }) => {
      const { id } = await params;
      const body = await jsonOf(request);
      if ('name' in body) await rename(id, nameOf(body));
      else if (body.isBinned === true) await bin(id);
      else if (body.isBinned === false) await restore(id);
      else throw new InputFault('Send a name, or isBinned.');
      return Response.json({ id });
    }),
    DELETE: handler<RecordContext>(async (_, { params }) => {
      const { id } = await params;
      await destroyBinned(id);
      return Response.json({ id });
    }),
  };
}
