/**
 * The command line. Exit codes: 0 all is done, 1 something failed (each failure is a line that names the file), 2 the
 * call itself is wrong.
 */
import { Command, CommanderError } from 'commander';
import { wordsOf } from '@/core/faults';
import { reliefCommand, type ReliefOptions } from './relief';
import { shadeCommand, type ShadeOptions } from './shade';

const number = (text: string): number => {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value))
    throw new CommanderError(2, 'oilwick.number', `error: "${text}" is not a number`);
  return value;
};

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
    .action(async (bundle: string, options: ShadeOptions) => {
      await shadeCommand(bundle, options);
    });
  await program.parseAsync();
}

main().catch((thrown: unknown) => {
  if (thrown instanceof CommanderError) {
    // Commander has said what is wrong; asking for help is no fault.
    if (thrown.code === 'oilwick.number') process.stderr.write(`${thrown.message}\n`);
    process.exitCode = thrown.exitCode === 0 ? 0 : 2;
    return;
  }
  process.stderr.write(`oilwick: ${wordsOf(thrown)}\n`);
  process.exitCode = 1;
});
