/** Focuses the first field inside whose text could not be read, and says whether there was one. */
export function stopsAtUnread(root: ParentNode | null): boolean {
  const input = root?.querySelector<HTMLElement>('[data-unread] input');
  input?.focus();
  return input !== undefined && input !== null;
}

/**
 * The one form. A field keeps its last value while what is typed cannot be read; sending would take that value behind the
 * typist's back, so the form stops at the field instead.
 */
export const Form = ({ onSubmit, children }: { onSubmit(): void; children: React.ReactNode }) => (
  <form
    noValidate
    onSubmit={(e) => {
      e.preventDefault();
      // A dialog that a form opened stands inside it for React: what is sent there is not sent here.
      e.stopPropagation();
      if (!stopsAtUnread(e.currentTarget)) onSubmit();
    }}
  >
    {children}
  </form>
);
