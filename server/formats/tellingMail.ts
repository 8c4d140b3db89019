import type { Telling } from '../../contract/telling.ts';

/** A message as a mail (RFC 5322) that a mail program opens as one to be sent: whom it goes to is filled in there. */
export async function tellingMail(t: Telling): Promise<Buffer> {
  const { default: MailComposer } = await import('nodemailer/lib/mail-composer/index.js');
  return new MailComposer({
    subject: t.subject,
    text: t.words,
    headers: { 'X-Unsent': '1', 'Content-Language': t.language },
    messageId: `<family-${t.borrowerId}-${t.items.map((i) => i.label).join('-')}@fox-button>`,
  })
    .compile()
    .build();
}
