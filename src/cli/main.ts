/**
 * The command line. Exit codes: 0 all is done, 1 something failed (each failure is a line that names the file), 2 the
 * call itself is wrong.
 */
import { Command, CommanderError } from 'commander';
import { wordsOf } from '@/core/faults';
import type { MapKind } from '@/core/handoff/maps';
import { accountCommand, type AccountOptions } from './account';
import { checkCommand, type CheckOptions } from './check';
import { exportCommand, exportList, type ExportCall } from './export';
import { momentCommand, type MomentOptions } from './moment';
import { mapList, reliefCommand, type ReliefOptions } from './relief';
import { shadeCommand, type ShadeOptions } from './shade';
import { serveJobs } from './threads';

const number = (text: string): number => {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value)) throw wrongCall(`"${text}" is not a number`);
  return value;
};

const MOST_JOBS = 64;

const jobs = (text: string): number => {
  const value = number(text);
  if (!Number.isInteger(value) || value < 1 || value > MOST_JOBS)
    throw wrongCall(`--jobs is a whole number from 1 to ${MOST_JOBS}; got ${text}`);
  return value;
};

const depth = (text: string): number => {
  if (text !== '8' && text !== '16') throw wrongCall(`--depth is 8 or 16; got ${text}`);
  return Number(text);
};

const maps = (text: string): MapKind[] => {
  try {
    return mapList(text);
  } catch (cause) {
    throw wrongCall(wordsOf(cause));
  }
};

function wrongCall(words: string): CommanderError {
  return new CommanderError(2, 'oilwick.call', `error: ${words}`);
}

async function main(): Promise<void> {
  const program = new Command('oilwick')
    .description('Relief and light for sprites, for asset pipelines.')
    .exitOverride();
  program
    .command('relief')
    .description('make normal maps of PNG files')
    .argument('<art...>', 'PNG files')
    .requiredOption('--out <dir>', 'folder for the maps')
    .option('--recipe <file>', 'recipe as JSON; without one a recipe is chosen by looking at each picture')
    .option('--suffix <text>', 'what is put behind the name of the art', '_n')
    .option('--y-down', 'green points down', false)
    .option('--depth <bits>', '8 or 16 bits a channel of the normal map', depth, 8)
    .option('--also <maps>', 'more maps, as height,rim,occlusion,glow', maps, [])
    .option('--flat-padding', 'flat beyond the silhouette, instead of carried on for two px', false)
    .option('--no-alpha', "RGB without the art's alpha")
    .option(
      '--jobs <number>',
      'pictures at once, each on a thread; by default as many as the machine has',
      jobs,
    )
    .option('--json', 'one line of JSON for each picture on standard output', false)
    .action(async (art: string[], options: ReliefOptions) => {
      process.exitCode = await reliefCommand(art, options);
    });
  program
    .command('shade')
    .description('draw the gate of a bundle with the reference renderer')
    .argument('<bundle>', 'bundle, a zip')
    .requiredOption('--out <file>', 'PNG to write')
    .option(
      '--hour <hours>',
      'hour of the day, 0 to 24; by default the hour at which the scene opens',
      number,
    )
    .option('--at <seconds>', 'second of the flames', number, 0)
    .option('--enlarge <times>', 'whole times the size of the gate', number, 1)
    .option('--unlit', 'the art as it is', false)
    .option('--finish <look>', 'a file with a look in the place of the finish, or none')
    .option('--jobs <number>', 'threads that draw; by default as many as are worth it', jobs)
    .action(async (bundle: string, options: ShadeOptions) => {
      await shadeCommand(bundle, options);
    });
  program
    .command('moment')
    .description('print the digest of the scene at an hour and a second: the same on every machine')
    .argument('<bundle>', 'bundle, a zip')
    .option(
      '--hour <hours>',
      'hour of the day, 0 to 24; by default the hour at which the scene opens',
      number,
    )
    .option('--at <seconds>', 'second of the flames', number, 0)
    .option('--json', 'the whole Moment, its typed arrays as arrays', false)
    .action(async (bundle: string, options: MomentOptions) => {
      await momentCommand(bundle, options);
    });
  program
    .command('account')
    .description('print what a pixel of the gate is made of, and why a light gives it nothing')
    .argument('<bundle>', 'bundle, a zip')
    .requiredOption('--x <px>', 'pixel of the gate, from its left side', number)
    .requiredOption('--y <px>', 'pixel of the gate, from its upper side', number)
    .option(
      '--hour <hours>',
      'hour of the day, 0 to 24; by default the hour at which the scene opens',
      number,
    )
    .option('--at <seconds>', 'second of the flames', number, 0)
    .option('--json', 'one line of JSON on standard output', false)
    .action(async (bundle: string, options: AccountOptions) => {
      await accountCommand(bundle, options);
    });
  program
    .command('export')
    .description('write what leaves for the game: see --list')
    .argument('[bundle]', 'bundle, a zip')
    .argument('[options...]', "the export's own options, as --depth 16")
    .option('--as <kind>', 'which export', 'bundle')
    .option('--out <dir>', 'folder for the files', '.')
    .option('--list', 'the exports there are, with their options', false)
    .option('--json', 'one line of JSON for each file on standard output', false)
    .option('--jobs <number>', 'threads that draw; by default as many as are worth it', jobs)
    .allowUnknownOption()
    .action(async (bundle: string | undefined, words: string[], options: ExportCall & { list: boolean }) => {
      if (options.list) return void process.stdout.write(exportList());
      if (bundle === undefined) throw wrongCall('export takes a bundle');
      await exportCommand(bundle, options, words);
    });
  program
    .command('check')
    .description('say what in a bundle is probably a mistake; exit code 1 where it is a fault')
    .argument('<bundle>', 'bundle, a zip')
    .option(
      '--hour <hours>',
      'hour at which it is looked for flashes; by default the hour at which the scene opens',
      number,
    )
    .option('--no-flashes', 'do not look for flashes, which takes a minute or two where much lives')
    .option('--json', 'one array of JSON on standard output', false)
    .action(async (bundle: string, options: CheckOptions) => {
      process.exitCode = await checkCommand(bundle, options);
    });
  await program.parseAsync();
}

if (!serveJobs()) main().catch(fail);

function fail(thrown: unknown): void {
  if (thrown instanceof CommanderError) {
    // Commander has said what is wrong; asking for help is no fault.
    if (thrown.code === 'oilwick.call') process.stderr.write(`${thrown.message}\n`);
    process.exitCode = thrown.exitCode === 0 ? 0 : 2;
    return;
  }
  process.stderr.write(`oilwick: ${wordsOf(thrown)}\n`);
  process.exitCode = 1;
}
