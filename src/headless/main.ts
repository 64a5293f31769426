import { run } from './run';

// Set when all is written: node then ends of itself, with nothing left in its buffers.
void run(process.argv.slice(2), (message) => process.stderr.write(`${message}\n`)).then((code) => {
  process.exitCode = code;
});
