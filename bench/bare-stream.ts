import { createServer, type ServerResponse } from 'node:http';

/**
 * The least that telling many people something costs: a server that writes what it is sent to every line that is
 * open, and does nothing else.
 */

const lines = new Set<ServerResponse>();
const server = createServer((request, response) => {
  if (request.method === 'GET' && request.url === '/used') {
    response.end(JSON.stringify({ cpu: process.cpuUsage(), memory: process.memoryUsage.rss() }));
    return;
  }
  if (request.method === 'GET') {
    response.writeHead(200, { 'Content-Type': 'text/event-stream' });
    response.write(': open\n\n');
    lines.add(response);
    response.once('close', () => lines.delete(response));
    return;
  }
  const parts: Buffer[] = [];
  request.on('data', (part: Buffer) => parts.push(part));
  request.on('end', () => {
    const bytes = Buffer.concat(parts);
    for (const line of lines) line.write(bytes);
    response.end();
  });
});
server.listen(Number(process.env.PORT), '127.0.0.1');
