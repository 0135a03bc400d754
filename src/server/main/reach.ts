/** From where the server can be asked: loopback, unless more was set; and then only with an access key. */
import { givenOrigins } from '../http/guard';

const LOOPBACK = ['127.0.0.1', '::1', 'localhost'];
/** A shorter key could be found by trying. */
const KEY_LENGTH = 16;

const EVERYWHERE = ['0.0.0.0', '::'];

/**
 * The addresses to listen on, from the environment: loopback always, so that the start command finds its server.
 * @throws Error where something would be open that must not be
 */
export function listenAddresses(): string[] {
  const address = process.env.OILWICK_ADDRESS || LOOPBACK[0];
  const key = process.env.OILWICK_ACCESS_KEY ?? '';
  const origins = givenOrigins();
  for (const origin of origins) {
    if (!isOrigin(origin))
      throw new Error(
        `OILWICK_ORIGINS wants addresses like https://light.example.org, with commas between; got ${origin}.`,
      );
    // Without https the key could be read on its way, and browsers keep back what tabs need to tell each other apart.
    if (!origin.startsWith('https:'))
      throw new Error(`OILWICK_ORIGINS: ${origin} must begin with https. Only loopback is served without.`);
  }
  const isOpen = origins.length > 0 || !LOOPBACK.includes(address);
  if (isOpen && key.length < KEY_LENGTH)
    throw new Error(
      `Asked from elsewhere, Oilwick wants an access key: set OILWICK_ACCESS_KEY to at least ${KEY_LENGTH} characters.`,
    );
  return EVERYWHERE.includes(address) ? [address] : [...new Set([LOOPBACK[0], address])];
}

function isOrigin(text: string): boolean {
  try {
    return new URL(text).origin === text;
  } catch {
    return false;
  }
}
