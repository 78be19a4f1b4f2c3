import type { Server } from 'node:http';
import { networkInterfaces } from 'node:os';
import { HttpProblem } from '../http/http-problem.ts';

/** The way in from the local network: closed until it is opened, and closed again at will. */
export interface NetworkDoor {
  /** The addresses it is open at; none while it is closed. */
  readonly addresses: () => readonly string[];
  readonly open: () => Promise<void>;
  readonly close: () => Promise<void>;
}

/** Addresses of this machine in its networks. */
const ownAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((many) => many ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4')
    .map(({ address }) => address);

const listening = (server: Server, port: number, host: string): Promise<boolean> =>
  new Promise((resolve) => {
    server.once('error', () => resolve(false));
    server.listen(port, host, () => resolve(true));
  });

interface Where {
  /** One address, or every one of this machine's networks where it is left away or `0.0.0.0`. */
  readonly host: string | undefined;
  readonly port: () => number;
  /** A server like the one that this machine's own browser meets. */
  readonly serve: () => Server;
}

/** The door of a server; it stands beside the address of the machine itself, which is always open to it. */
export function networkDoor({ host, port, serve }: Where): NetworkDoor {
  let servers: readonly (readonly [address: string, server: Server])[] = [];
  const close = async (): Promise<void> => {
    const open = servers;
    servers = [];
    await Promise.all(
      open.map(
        ([, server]) =>
          new Promise((resolve) => {
            server.close(resolve);
            server.closeAllConnections();
          }),
      ),
    );
  };
  return {
    addresses: () => servers.map(([address]) => `${address}:${port()}`),
    close,
    async open() {
      await close();
      const wanted = host === undefined || host === '0.0.0.0' ? ownAddresses() : [host];
      const tried = await Promise.all(
        wanted.map(async (address) => {
          const server = serve();
          return (await listening(server, port(), address)) ? ([address, server] as const) : undefined;
        }),
      );
      servers = tried.flatMap((one) => (one ? [one] : []));
      if (servers.length === 0)
        throw new HttpProblem({
          status: 409,
          code: 'no-network',
          title:
            wanted.length === 0
              ? 'This machine is in no network now. Join one, and try again.'
              : `Nothing can be opened at ${wanted.join(', ')}: set ZUBRIC_HOST to an address of this machine.`,
        });
    },
  };
}

/** No door at all: where nothing is served to a network. */
export const NO_DOOR: NetworkDoor = {
  addresses: () => [],
  close: () => Promise.resolve(),
  open: () =>
    Promise.reject(
      new HttpProblem({
        status: 409,
        code: 'no-network',
        title: 'This server was started without a way in from the network.',
      }),
    ),
};
