/** How much is left of a gobo at a distance along one side: it fades out toward both borders. */
export function fadeAt(at: number, size: number, fade: number): number {
  return fade === 0 ? 1 : Math.min(1, Math.min(at, size - at) / fade);
}
