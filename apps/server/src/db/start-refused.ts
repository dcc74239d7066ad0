/** The server cannot start, for a reason that whoever runs it can do something about. The message is for them. */
export class StartRefused extends Error {
  constructor(message: string, cause?: unknown) {
    super(message, { cause });
    this.name = 'StartRefused';
  }
}
