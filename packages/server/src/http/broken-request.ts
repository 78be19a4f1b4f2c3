import type { Socket } from 'node:net';

const STATUS: Readonly<Record<string, readonly [number, string]>> = {
  HPE_HEADER_OVERFLOW: [431, 'The address or the headers are too long.'],
  ERR_HTTP_REQUEST_TIMEOUT: [408, 'The request came too slowly: send it again.'],
};

/** Answers what is no HTTP at all with a problem too, as far as its connection still takes one. */
export function refuseBrokenRequest(error: Error & { readonly code?: string }, socket: Socket): void {
  if (error.code === 'ECONNRESET' || !socket.writable) {
    socket.destroy();
    return;
  }
  const [status, title] = STATUS[error.code ?? ''] ?? [400, 'This is no HTTP request that can be read.'];
  const body = JSON.stringify({ status, code: 'broken-request', title });
  socket.end(
    `HTTP/1.1 ${status} Refused\r\nContent-Type: application/problem+json\r\nContent-Length: ${Buffer.byteLength(body)}\r\nConnection: close\r\n\r\n${body}`,
  );
}
