import { Command as Parser, CommanderError } from 'commander';
import { COMMANDS, type Command } from './commands';
import { Refusal, type Outcome } from './outcome';

const ENDING = `
FILE is a Tapis document; - reads standard input. What cannot be done goes to standard error with exit 2, a
fault of Tapis itself with exit 3. tapis COMMAND --help tells the options of one command.
`;

/**
 * Runs one command line; touches files only to read what is named and to write where it is told to.
 * @param print takes what is told before the work is done
 */
export async function run(
  args: readonly string[],
  print: (text: string) => void = () => undefined,
): Promise<Outcome> {
  const heard = { out: '', err: '' };
  let outcome: Outcome | null = null;
  const tapis = quiet(new Parser('tapis'), heard)
    .usage('COMMAND …')
    .addHelpText('after', ENDING)
    .helpCommand(false);
  for (const command of COMMANDS)
    tapis.addCommand(parserOf(command, heard, print, (done) => (outcome = done)));
  try {
    if (args.length === 0) throw new Refusal(tapis.helpInformation() + ENDING);
    await tapis.parseAsync([...args], { from: 'user' });
    return outcome ?? { ...heard, code: 0 };
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    // help was asked for
    if (error instanceof CommanderError && error.exitCode === 0) return { out: heard.out, err: '', code: 0 };
    if (error instanceof CommanderError) return { out: '', err: heard.err || `${message}\n`, code: 2 };
    if (error instanceof Refusal) return { out: '', err: `${message.trimEnd()}\n`, code: 2 };
    const err = `Tapis has met a fault: ${message}. The file is as it was.\n`;
    return { out: '', err, code: 3 };
  }
}

/** What it prints is caught, and it never ends the process. */
function quiet(parser: Parser, heard: { out: string; err: string }): Parser {
  return parser.exitOverride().configureOutput({
    writeOut: (text) => (heard.out += text),
    writeErr: (text) => (heard.err += text),
    getOutHelpWidth: () => 100,
    getErrHelpWidth: () => 100,
  });
}

/** Options that may come several times. */
const SEVERAL = ['--as', '--spread', '--measured', '--join'];

function parserOf(
  { name, summary, takes, options, run: act }: Command,
  heard: { out: string; err: string },
  print: (text: string) => void,
  onDone: (outcome: Outcome) => void,
): Parser {
  const parser = quiet(new Parser(name), heard)
    .description(summary)
    .showHelpAfterError(`See tapis ${name} --help.`)
    .allowExcessArguments(false);
  for (const word of takes.split(' '))
    parser.argument(
      word.startsWith('[') ? word : word.endsWith('…') ? `<${word.slice(0, -1)}...>` : `<${word}>`,
    );
  for (const [flags, words] of options) {
    if (SEVERAL.some((flag) => flags.startsWith(`${flag} `)))
      parser.option(flags, words, (one: string, all: string[] = []) => [...all, one]);
    else parser.option(flags, words);
  }
  return parser.action(async (...said: unknown[]) => {
    const named = (said.slice(0, -2).flat() as (string | undefined)[]).filter((one) => one !== undefined);
    onDone(await act({ files: named, options: parser.opts() as never, print }));
  });
}
