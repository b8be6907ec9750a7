import { run } from './tapis';

// a reader that has seen enough, such as head, closes the pipe: that is no error
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  process.exit(error.code === 'EPIPE' ? 0 : 3);
});

const { out, err, code } = await run(process.argv.slice(2), (text) => process.stdout.write(text));
process.stdout.write(out);
process.stderr.write(err);
process.exitCode = code;
