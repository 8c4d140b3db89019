/** A request with a file, answered by hand. */
export class Upload extends EventTarget {
  static last: Upload;
  readonly upload = new EventTarget();
  readonly headers: Record<string, string> = {};
  path = '';
  status = 0;
  responseText = '';
  open(_method: string, path: string): void {
    this.path = path;
  }
  setRequestHeader(name: string, value: string): void {
    this.headers[name] = value;
  }
  send(_body: unknown): void {
    Upload.last = this;
  }
  comes(loaded: number, total: number): void {
    this.upload.dispatchEvent(
      Object.assign(new Event('progress'), { lengthComputable: true, loaded, total }),
    );
  }
  answer(status: number, text: string): void {
    this.status = status;
    this.responseText = text;
    this.dispatchEvent(new Event('load'));
  }
}

/** Files that are sent wait to be answered by hand; or each gets the same answer, a body or `[status, body]`. */
export function takeUploads(always?: unknown): void {
  class Answered extends Upload {
    override send(body: unknown): void {
      super.send(body);
      const [status, given] = (Array.isArray(always) ? always : [200, always]) as [number, unknown];
      if (always !== undefined) queueMicrotask(() => this.answer(status, JSON.stringify(given)));
    }
  }
  globalThis.XMLHttpRequest = Answered as unknown as typeof XMLHttpRequest;
}
