/** Pictures that the browser itself can decode, brought to straight RGBA without colour management. */
import { InputFault, wordsOf } from '@/core/faults';
import { emptyImage, type Image } from '@/core/raster/image';
import { headerSize } from '@/core/raster/picture-kind';

/** @throws InputFault in words, before the picture is unpacked where its header says that it is too large */
export async function decodedByBrowser(bytes: Uint8Array, kind: 'webp' | 'jpeg'): Promise<Image> {
  headerSize(bytes, kind);
  const bitmap = await opened(bytes, kind);
  try {
    return pixelsOf(bitmap);
  } finally {
    bitmap.close();
  }
}

async function opened(bytes: Uint8Array, kind: 'webp' | 'jpeg'): Promise<ImageBitmap> {
  const file = new Blob([new Uint8Array(bytes)], { type: `image/${kind}` });
  try {
    return await createImageBitmap(file, { colorSpaceConversion: 'none', premultiplyAlpha: 'none' });
  } catch (cause) {
    const name = kind === 'webp' ? 'WebP' : 'JPEG';
    throw new InputFault(`The ${name} file is damaged (${wordsOf(cause)}).`, null, { cause });
  }
}

/** By a texture: a 2D canvas would multiply colours by their alpha, and lose what is nearly clear. */
function pixelsOf(bitmap: ImageBitmap): Image {
  const { width, height } = bitmap;
  const gl = new OffscreenCanvas(1, 1).getContext('webgl2');
  if (!gl) throw new InputFault('This browser has no WebGL 2, which is needed to read this kind of picture.');
  const texture = gl.createTexture();
  gl.bindTexture(gl.TEXTURE_2D, texture);
  gl.pixelStorei(gl.UNPACK_COLORSPACE_CONVERSION_WEBGL, gl.NONE);
  gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA, gl.RGBA, gl.UNSIGNED_BYTE, bitmap);
  gl.bindFramebuffer(gl.FRAMEBUFFER, gl.createFramebuffer());
  gl.framebufferTexture2D(gl.FRAMEBUFFER, gl.COLOR_ATTACHMENT0, gl.TEXTURE_2D, texture, 0);
  const image = emptyImage(width, height);
  gl.readPixels(0, 0, width, height, gl.RGBA, gl.UNSIGNED_BYTE, image.data);
  gl.getExtension('WEBGL_lose_context')?.loseContext();
  return image;
}
