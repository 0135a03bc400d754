'use client';
import { drawAsBrought, offersFor } from '../store/offers';
import { useEffect, useRef, type ComponentType, type DragEvent } from 'react';
import type { Panel } from '../store/desk-store';
import { useDesk, useScene, useStudio } from '../context';
import { dropFromShelf } from '../shelf/drops';
import { Shelf } from '../shelf/Shelf';
import { wordsOf } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { importPictures, tellReport } from '../store/import-pictures';
import { putSvg } from '../store/occluder-edits';
import { layersAsFigure, layersAsPlanes } from '../store/place-layers';
import type { Studio } from '../store/studio';
import { placeBeside } from '../tools/place-beside';
import { readColours } from '../surface/read-colours';
import { HintLine, ReadoutLine } from '../surface/ViewLines';
import { EyesFilters } from './Eyes';
import { StageView } from './stage-view';
import { WipeBar } from './WipeBar';
import { History } from '../revisions/History';
import { Wiring } from '../wiring/Wiring';
import { Notice } from '../controls/Notice';
import { FileKey, PICTURE_FILES } from '../controls/FileKey';

/** What lies over the stage, by the names of panels. */
const PANEL_PARTS: Record<Panel, ComponentType> = {
  shelf: Shelf,
  wiring: Wiring,
  steps: History,
  revisions: History,
};

function PanelOver({ panel }: { panel: Panel }) {
  const Part = PANEL_PARTS[panel];
  return <Part />;
}

export function Stage() {
  const studio = useStudio();
  const stage = useRef<HTMLDivElement>(null);
  const picture = useRef<HTMLCanvasElement>(null);
  const marks = useRef<HTMLCanvasElement>(null);
  const readout = useRef<HTMLParagraphElement>(null);
  const hint = useRef<HTMLParagraphElement>(null);
  const view = useRef<StageView | null>(null);
  const panel = useDesk((state) => state.panel);
  const hasWipe = useDesk((state) => state.wipe !== null);
  const tool = useDesk((state) => state.tool);
  const eyes = useDesk((state) => state.eyes);
  const isEmpty = useScene(
    ({ scene: { sprites, chunks } }) => Object.keys(sprites).length === 0 && Object.keys(chunks).length === 0,
  );
  const isBringing = useDesk((state) => state.bringing !== null);

  useEffect(() => {
    const made = new StageView(studio, {
      box: stage.current!,
      picture: picture.current!,
      marks: marks.current!,
      readout: readout.current!,
      hint: hint.current!,
      ...readColours(),
    });
    view.current = made;
    const closed = studio.opened(made, made);
    return () => {
      closed();
      made.dispose();
    };
  }, [studio]);

  const drop = async (event: DragEvent) => {
    event.preventDefault();
    const place = view.current!.scenePlace(event.nativeEvent);
    if (dropFromShelf(studio, event, place)) return;
    const files = [...event.dataTransfer.files];
    if (files.length > 0) await bringIn(files, place);
  };

  const bringIn = async (dropped: File[], [x, y]: [number, number]) => {
    const files = dropped.filter(({ name }) => !/\.svg$/i.test(name));
    for (const file of dropped) if (!files.includes(file)) await bringSvg(studio, file);
    if (files.length === 0) return;
    const isFirst = Object.keys(studio.scene.artworks).length === 0;
    const report = await importPictures(studio, files);
    if (isFirst) drawAsBrought(studio, report);
    const layered = new Set(report.layers.map(({ artworkId }) => artworkId));
    const loose = report.artworkIds.filter((id) => !layered.has(id));
    placeBeside(studio, loose, x, y);
    studio.desk.setState({ offers: offersFor(studio, report, isFirst && report.artworkIds.length > 0) });
    for (const painting of new Set(report.layers.map((layer) => layer.painting))) {
      const layers = report.layers.filter((layer) => layer.painting === painting);
      const answer = await studio.ask('painting', { name: painting, layers: layers.length });
      if (answer === 'planes') layersAsPlanes(studio, layers);
      else if (answer === 'figure') layersAsFigure(studio, layers, x, y);
    }
    tellReport(studio, report);
  };

  return (
    <div
      ref={stage}
      className="relative min-w-0 overflow-hidden bg-soot"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => void drop(event)}
    >
      <EyesFilters />
      <canvas
        ref={picture}
        className="absolute inset-0 size-full"
        style={{ filter: eyes === null ? undefined : `url(#eyes-${eyes})` }}
      />
      <canvas
        ref={marks}
        tabIndex={0}
        role="application"
        aria-label="Stage"
        data-tool={tool}
        className="absolute inset-0 size-full touch-none outline-none"
      />
      {isEmpty && !isBringing && tool === 'pick' && (
        <EmptyStage onFiles={(files) => void bringIn(files, [60, 120])} />
      )}
      {hasWipe && <WipeBar />}
      <HintLine line={hint} />
      <ReadoutLine line={readout} />
      <Notice />
      {panel && <PanelOver panel={panel} />}
    </div>
  );
}

/** The shapes of an SVG file as occluders on the current plane. */
async function bringSvg(studio: Studio, file: File): Promise<void> {
  try {
    if (file.size > LIMITS.textFileBytes)
      throw new Error(`The file is larger than ${LIMITS.textFileBytes / 1024 / 1024} MB.`);
    const text = await file.text();
    putSvg(studio, file.name, await studio.workers.run((remote) => remote.svgOutlines(text)));
  } catch (thrown) {
    studio.say(`${file.name}: ${wordsOf(thrown)}`);
  }
}

function EmptyStage({ onFiles }: { onFiles(files: File[]): void }) {
  return (
    <div className="absolute top-1/2 left-1/2 -translate-x-1/2 -translate-y-1/2 border border-rail bg-slate p-6 text-center">
      <p className="text-large">Nothing stands on this stage yet.</p>
      <p className="mt-1 mb-3 text-ash">
        Drop PNG files here, or choose them. Then press P and put a light beside them.
      </p>
      <FileKey accept={PICTURE_FILES} multiple className="key inline-block" onFiles={onFiles}>
        Choose PNG files
      </FileKey>
    </div>
  );
}
