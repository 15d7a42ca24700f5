import type { IncomingMessage } from 'node:http';
import type { Socket } from 'node:net';
import { plainAddress } from '@/core/doors/address';

/** A browser opens six to a place, over http and https each. */
export const MOST_CONNECTIONS_EACH = 40;
/** Connections that have not shown a device or a token yet. */
export const MOST_UNKNOWN = 200;
/** A stranger sends six digits and a name. */
const STRANGER_BODY_MS = 5000;
const LOOK_EVERY_MS = 10_000;
/** Slower than any network of a home, by far. */
const LEAST_BYTES = 4096;

const nameOf = ({ remoteAddress = '', remotePort = 0 }: Socket): string => `${plainAddress(remoteAddress)} ${remotePort}`;

/**
 * The connections to the home's doors. Nobody takes the room of the others: an address has so many, and of those who have not
 * shown who they are the one that has waited longest goes when there are too many. A device shows its cookie within a moment,
 * and is not among them from then on.
 */
export class Connections {
  private readonly each = new Map<string, number>();
  private readonly unknown = new Map<string, Socket>();

  /** Takes a new connection in, or closes it. */
  readonly add = (socket: Socket): void => {
    const from = plainAddress(socket.remoteAddress ?? '');
    const name = nameOf(socket);
    const open = (this.each.get(from) ?? 0) + 1;
    if (open > MOST_CONNECTIONS_EACH) {
      socket.destroy();
      return;
    }
    this.each.set(from, open);
    this.unknown.set(name, socket);
    if (this.unknown.size > MOST_UNKNOWN) {
      const [longest] = this.unknown;
      if (longest) {
        this.unknown.delete(longest[0]);
        longest[1].destroy();
      }
    }
    socket.once('close', () => {
      if (this.unknown.get(name) === socket) this.unknown.delete(name);
      const left = (this.each.get(from) ?? 1) - 1;
      if (left === 0) this.each.delete(from);
      else this.each.set(from, left);
    });
  };

  /** A device or a token came by this connection. Over https the request's socket is not the one that was added, but its name is the same. */
  known(socket: Socket): void {
    this.unknown.delete(nameOf(socket));
  }
}

/** A body that drips would hold its connection for as long as it likes: it is cut off, a stranger's after a few seconds. */
export function watchBody(request: IncomingMessage, isKnown: boolean): void {
  const { socket } = request;
  let seen = socket.bytesRead;
  const timer = setInterval(
    () => {
      if (request.complete || request.destroyed) return clearInterval(timer);
      // Held up by us, not by its sender: nobody reads it just now.
      if (isKnown && (request.isPaused() || socket.bytesRead - seen >= LEAST_BYTES)) {
        seen = socket.bytesRead;
        return;
      }
      clearInterval(timer);
      socket.destroy();
    },
    isKnown ? LOOK_EVERY_MS : STRANGER_BODY_MS,
  );
  timer.unref();
}
