import { FileLink } from '../parts/FileLink.tsx';
import { useOpenDesign } from './store.ts';

/** A paper of the open design. What was turned a moment ago is saved first, so that it is on the paper too. */
export function DesignFile({
  href,
  small,
  children,
}: {
  href: string;
  small?: boolean;
  children: React.ReactNode;
}) {
  const { flush } = useOpenDesign.getState();
  const fetchAfter = async (link: HTMLAnchorElement): Promise<void> => {
    await flush();
    // Not saved means not printed: the notice above says why.
    if (useOpenDesign.getState().saving === 'saved') link.click();
  };
  return (
    <FileLink
      href={href}
      {...(small ? { small } : {})}
      onClick={(e) => {
        if (useOpenDesign.getState().saving === 'saved') return;
        e.preventDefault();
        void fetchAfter(e.currentTarget);
      }}
    >
      {children}
    </FileLink>
  );
}
