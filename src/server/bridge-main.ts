import { createReadStream } from 'node:fs';
import { parseArgs } from 'node:util';
import { bridge } from './devices/bridge';
import { linePoster } from './devices/line-poster';

const USAGE = `Carries lines of real instruments to the program.

  npm run bridge -- FILE            a file of lines, or a serial device such as /dev/ttyUSB0
  npm run bridge -- -               lines from standard input
  npm run bridge -- FILE --to URL   where the program is, http://127.0.0.1:4180 unless said

Where people sign in, RIMSTONE_WHO and RIMSTONE_SECRET say in whose name; else RIMSTONE_PASSPHRASE where one is set.
`;

const fail = (message: string): never => {
  process.stderr.write(`${message}\n`);
  process.exit(1);
};

const read = () => {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        to: { type: 'string', default: 'http://127.0.0.1:4180' },
        help: { type: 'boolean', short: 'h' },
      },
    });
  } catch (error) {
    return fail(`${(error as Error).message}\n\n${USAGE}`);
  }
};

const main = async (): Promise<void> => {
  const { values, positionals } = read();
  const [from] = positionals;
  if (values.help || from === undefined || positionals.length > 1) return fail(USAGE);
  if (!URL.canParse(values.to))
    return fail(`--to is "${values.to}"; use an address such as http://127.0.0.1:4180.`);
  const input = from === '-' ? process.stdin : createReadStream(from);
  input.once('error', (error: Error) => fail(`${from} cannot be read: ${error.message}`));
  const { taken, refused, lost } = await bridge(input, {
    say: (text) => void process.stderr.write(`${text}\n`),
    post: linePoster(values.to, {
      passphrase: process.env.RIMSTONE_PASSPHRASE,
      who: process.env.RIMSTONE_WHO,
      secret: process.env.RIMSTONE_SECRET,
    }),
  });
  process.stdout.write(`${taken} lines taken, ${refused} refused, ${lost} lost\n`);
  process.exitCode = refused + lost > 0 ? 1 : 0;
};

void main();
