/** Reading request bodies within their limits. */
import { InputFault } from '@/core/faults';
import { checkJsonDepth } from '@/core/json-depth';
import { LIMITS } from '@/core/limits';
import { TooLargeFault, WrongTypeFault } from '../faults';

/** The type of a body, without what follows it; empty where the request names none. */
export function typeOf(request: Request): string {
  return request.headers.get('content-type')?.split(';')[0].trim() ?? '';
}

/** The bytes of a body; reading stops as soon as there are more than allowed. */
export async function bytesOf(request: Request, type: string, most: number): Promise<Uint8Array> {
  const got = typeOf(request);
  if (got !== type) throw new WrongTypeFault(`The body must be ${type}; got ${got === '' ? 'none' : got}.`);
  const words = `The body may have at most ${(most / 1024 / 1024).toFixed(0)} MB.`;
  if (Number(request.headers.get('content-length') ?? 0) > most) throw new TooLargeFault(words);
  const parts: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    if (size > most) {
      await reader.cancel();
      throw new TooLargeFault(words);
    }
    parts.push(value);
  }
  return Buffer.concat(parts);
}

/** A JSON object within the limits of size and depth. */
export async function jsonOf(request: Request): Promise<Record<string, unknown>> {
  const text = new TextDecoder().decode(await bytesOf(request, 'application/json', LIMITS.jsonBytes));
  checkJsonDepth(text, LIMITS.jsonDepth, 'The body');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (cause) {
    throw new InputFault('The body is not JSON.', null, { cause });
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new InputFault('The body must be a JSON object.');
  return value as Record<string, unknown>;
}

export function nameOf(body: Record<string, unknown>): string {
  const name = typeof body.name === 'string' ? body.name.trim() : '';
  if (name === '') throw new InputFault('A name is missing.', 'name');
  if (name.length > LIMITS.nameLength)
    throw new InputFault(`A name has at most ${LIMITS.nameLength} characters.`, 'name');
  return name;
}
