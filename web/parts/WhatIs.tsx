import { memo } from 'react';
import { Button } from 'react-aria-components/Button';
import { Dialog, DialogTrigger } from 'react-aria-components/Dialog';
import { Popover } from 'react-aria-components/Popover';
import { styled } from 'styled-components';
import { text } from './text.ts';

const Ask = styled(Button)`
  border: 0;
  background: none;
  padding: 4px;
  margin: -4px 0 -4px -4px;
  justify-self: start;
  text-align: left;
  color: var(--fox-deep);
  font: 600 13px/1.2 var(--body);
  text-decoration: underline;
  text-underline-offset: 2px;
  cursor: pointer;
`;
const Sheet = styled(Popover)`
  max-width: 300px;
  background: var(--ink);
  color: var(--paper);
  border-radius: 10px;
  padding: 10px 14px;
  font-size: 14px;
  line-height: 1.4;
  box-shadow: 0 8px 28px rgba(30, 42, 44, 0.3);
  [role='dialog'] {
    outline: none;
  }
`;

/** A word that must be learned explains itself where it stands, in two lines. */
const WhatIs = ({ word, ask, children }: { word: string; ask?: string; children: React.ReactNode }) => (
  <DialogTrigger>
    <Ask aria-label={ask && `${word}: ${ask}`}>{ask ?? text('what', { word })}</Ask>
    <Sheet placement="top">
      <Dialog aria-label={text('whatMeans', { word })}>{children}</Dialog>
    </Sheet>
  </DialogTrigger>
);

/** Beside what is measured one piece at a time. */
export const WhatAreBits = () => <WhatIs word={text('bit')}>{text('howDifficultPieceHand')}</WhatIs>;

/** Beside figures that move with every turn of a dial: the words stay. */
export const WhatIsDifficulty = memo(function WhatIsDifficulty({ parts }: { parts: string | null }) {
  return (
    <WhatIs ask={text('why')} word={text('difficulty')}>
      {parts && <p>{text('difficultyHere', { parts })}</p>}
      <p>{text('howDifficult')}</p>
    </WhatIs>
  );
});
export const WhatIsLevel = () => <WhatIs word={text('level')}>{text('oneStepThisDesigns')}</WhatIs>;
