import { scanCommand } from './command-line.js';

process.exitCode = await scanCommand(process.argv.slice(2), {
  out: (text) => process.stdout.write(text),
  err: (text) => process.stderr.write(text),
  drawsBar: process.stderr.isTTY,
});
