import type fs from 'node:fs';
import type { Writable } from 'node:stream';

/** As much as is read at once: less costs a turn of the loop for every piece, more waits for slow readers. */
const pieceBytes = 1024 * 1024;
/** Buffers that wait to be used again. */
const maxWaiting = 32;
const waiting: Buffer[] = [];

/**
 * Sends a stretch of a file through buffers that are used again: one read, one write, and no more until the socket has
 * taken it, so that whoever reads slowly costs one buffer and no more.
 * @param file open for reading, and closed by its owner
 * @param range from the first to the last byte
 * @returns whether all of it went out; not where the reader left, or the file became shorter meanwhile
 */
export async function sendRange(
  out: Writable,
  file: fs.promises.FileHandle,
  range: { readonly start: number; readonly end: number },
): Promise<boolean> {
  const buffer = waiting.pop() ?? Buffer.allocUnsafeSlow(pieceBytes);
  let isTaken = true;
  for (let at = range.start; at <= range.end && isTaken; ) {
    const { bytesRead } = await file.read(buffer, 0, Math.min(pieceBytes, range.end - at + 1), at);
    // Never pretend that it is whole.
    if (bytesRead === 0) {
      out.destroy();
      return false;
    }
    at += bytesRead;
    isTaken = await write(out, buffer.subarray(0, bytesRead));
  }
  // One whose write was cut off may still be read from by the system.
  if (isTaken && waiting.length < maxWaiting) waiting.push(buffer);
  return isTaken;
}

/** @returns whether the socket took it: a player that seeks away leaves, and its answer then comes late or never */
function write(out: Writable, bytes: Buffer): Promise<boolean> {
  if (out.destroyed) return Promise.resolve(false);
  return new Promise((resolve) => {
    const onClose = () => resolve(false);
    out.once('close', onClose);
    out.write(bytes, (error) => {
      out.off('close', onClose);
      resolve(!error);
    });
  });
}
