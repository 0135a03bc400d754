import { InputFault } from '../faults';
import { decodeGrey16, decodePng } from '../raster/png';
import type { JobPictures } from '../relief/job';

/** Files decoded as they are asked for, each once. @throws InputFault where one is missing */
export function decodedPictures(pictures: ReadonlyMap<string, Uint8Array>): JobPictures {
  const bytesOf = (sha: string) => {
    const bytes = pictures.get(sha);
    if (!bytes) throw new InputFault(`The picture ${sha} that a relief is made of is missing.`);
    return bytes;
  };
  const images = new Map<string, ReturnType<JobPictures['image']>>();
  return {
    image(sha) {
      const image = images.get(sha) ?? decodePng(bytesOf(sha)).image;
      images.set(sha, image);
      return image;
    },
    heights: (sha) => decodeGrey16(bytesOf(sha)),
  };
}
