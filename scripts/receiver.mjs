// npm run receiver -- [--port 9010] [--lane NAME] [--slot insert]: a stand-in for a music program that listens. It prints what arrives, and says what is selected.
import { createSocket } from 'node:dgram';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { checkNode, needBuild, needPackages } from './lib/prepare.mjs';
import { endWith, ROOT, Stop } from './lib/run.mjs';

try {
  checkNode();
  const { port, lane, slot } = optionsOf(process.argv.slice(2));
  await needPackages();
  await needBuild({ web: false });
  const { oscBytes, readOsc, PICK_ADDRESS, SLOT_ADDRESS } = await import(
    pathToFileURL(join(ROOT, 'core/dist/exchange/osc.js')).href
  );
  const socket = createSocket('udp4');
  socket.on('message', (bytes, from) => {
    const message = readOsc(bytes);
    if (message === null) return print(`${bytes.length} bytes that are no message of strings and numbers`);
    if (message.address === SLOT_ADDRESS && message.arguments.length === 0) {
      print(`asked what is selected: ${lane || 'no lane'}, ${slot || 'no slot'}`);
      socket.send(oscBytes({ address: SLOT_ADDRESS, arguments: [lane, slot] }), from.port, from.address);
    } else if (message.address === PICK_ADDRESS) {
      const names = ['format', 'identifier', 'path', 'name', 'lane', 'slot'];
      print(`load ${names.map((name, at) => `${name}=${JSON.stringify(message.arguments[at] ?? '')}`).join(' ')}`);
    } else print(`${message.address} ${JSON.stringify(message.arguments)}`);
  });
  socket.on('error', (error) =>
    endWith(new Stop(`Nothing can listen on port ${port}: ${error.message}. Choose another with --port.`)),
  );
  socket.bind(port, '127.0.0.1', () => print(`listens on 127.0.0.1, port ${socket.address().port}; Ctrl+C stops it`));
} catch (error) {
  endWith(error);
}

function print(line) {
  process.stdout.write(`${line}\n`);
}

function optionsOf(args) {
  try {
    const options = {
      port: { type: 'string', default: '9010' },
      lane: { type: 'string', default: '' },
      slot: { type: 'string', default: '' },
    };
    const { values } = parseArgs({ args, options, strict: true });
    const port = Number(values.port);
    if (!Number.isInteger(port) || port < 0 || port > 65_535) throw new Error(`--port ${values.port} is no port`);
    return { ...values, port };
  } catch (error) {
    throw new Stop(`${error.message}. Known: npm run receiver -- [--port 9010] [--lane NAME] [--slot insert]`);
  }
}
