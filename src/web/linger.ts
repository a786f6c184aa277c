import type { IncomingMessage } from 'node:http'
import { Socket } from 'node:net'

/** How long what is still being sent is thrown away behind an answer that closes the line, ms. */
const LINGER_MS = 1000

/**
 * Closes a line softly behind its last answer: our side is ended, and what the other still sends is read and thrown
 * away for a moment. Closed at once with bytes unread, the line would be reset, and the reset can overtake the answer:
 * the sender would learn that the line broke, and not why.
 */
export function lingerBehind(request: IncomingMessage): void {
  const { socket } = request
  socket.destroySoon = () => {
    if (request.complete || request.destroyed || socket.destroyed) return Socket.prototype.destroySoon.call(socket)
    socket.end()
    request.resume()
    const end = setTimeout(() => socket.destroy(), LINGER_MS)
    request.once('end', () => socket.destroy())
    socket.once('close', () => clearTimeout(end))
  }
}
