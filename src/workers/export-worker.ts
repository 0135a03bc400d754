/** Makes what leaves for the game on a thread of its own: any of the table of exports. */
import { expose, transfer } from 'comlink';
import { exportNamed, type ExportName } from '@/core/handoff/exports/all-exports';
import { exportOptions, type ExportSource } from '@/core/handoff/exports/kind';
import { drawHere } from '@/core/handoff/draw-here';
import type { Files } from '@/core/handoff/zip';
import { deflate } from './deflate';

const work = {
  async run(
    name: ExportName,
    source: ExportSource,
    options: Record<string, unknown>,
    progress: (done: number, all: number) => void,
  ): Promise<Files> {
    const kind = exportNamed(name);
    const files = await kind.files(source, exportOptions(kind, options), {
      deflate,
      progress,
      draw: drawHere,
    });
    return transfer(
      files,
      Object.values(files).map(({ buffer }) => buffer),
    );
  },
};

export type ExportWorker = typeof work;
expose(work);
