import { createTransport } from 'nodemailer';

interface Mail {
  readonly to: string;
  readonly subject: string;
  readonly words: string;
  /** BCP 47. */
  readonly language: string;
  /** The same for every try, so that a mail that was taken twice is known to be one. */
  readonly messageId: string;
}

/** The one way for mail to go out. */
export interface MailDoor {
  /** Nothing leaves this machine. */
  readonly isSimulated: boolean;
  readonly from: string;
  /** Comes back once the mail server has taken it. @throws Error saying why it did not */
  send(mail: Mail): Promise<void>;
}

/** Whether the server spoke and refused this one mail; else it could not be reached, and no other would go either. */
export const isRefusal = (error: unknown): boolean =>
  typeof (error as { responseCode?: unknown } | null)?.responseCode === 'number';

/** Mail to this domain is refused by the simulated server, to see what becomes of it (reserved by RFC 2606). */
const REFUSED = 'refused.example';

/** A mail server that takes everything and passes nothing on. */
export const simulatedMail = (): MailDoor => ({
  isSimulated: true,
  from: 'fox-button@localhost',
  send: async ({ to }) => {
    if (to.toLowerCase().endsWith(`@${REFUSED}`))
      throw Object.assign(new Error(`550 no mailbox of that name at ${REFUSED} (simulated)`), {
        responseCode: 550,
      });
  },
});

/** Longest wait for a mail server at each of its steps, ms. */
const PATIENCE = 10_000;

/**
 * A place's own mail server (RFC 5321), with TLS from the start (smtps) or as soon as the server offers it (smtp).
 *
 * @param o.url smtp:// or smtps:// with user and password where the server asks for them
 */
export function smtpMail(o: { readonly url: string; readonly from: string }): MailDoor {
  const url = new URL(o.url);
  const secure = url.protocol === 'smtps:';
  const transport = createTransport({
    host: url.hostname.replace(/^\[|\]$/g, ''),
    port: Number(url.port) || (secure ? 465 : 587),
    secure,
    ...(url.username
      ? { auth: { user: decodeURIComponent(url.username), pass: decodeURIComponent(url.password) } }
      : {}),
    connectionTimeout: PATIENCE,
    greetingTimeout: PATIENCE,
    socketTimeout: PATIENCE,
    // Nothing but the words themselves goes out.
    disableFileAccess: true,
    disableUrlAccess: true,
  });
  return {
    isSimulated: false,
    from: o.from,
    send: async (mail) => {
      await transport.sendMail({
        from: o.from,
        to: mail.to,
        subject: mail.subject,
        text: mail.words,
        messageId: mail.messageId,
        headers: { 'Content-Language': mail.language },
      });
    },
  };
}
