import { styled } from 'styled-components';
import type { Design } from '../../contract/designs.ts';
import type { MaterialRow } from '../../contract/materials.ts';
import { formatAges } from '../../core/calendar/ages.ts';
import type { Skill } from '../../core/patterns/kernel.ts';
import { DesignPicture } from './DesignPicture.tsx';
import { useDesigns } from '../data/queries.ts';
import { Seam } from '../parts/Panel.tsx';
import { text } from './text.ts';

const MOST = 12;
const Others = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
  gap: 8px;
  button {
    width: 100%;
    height: 100%;
    display: grid;
    justify-items: center;
    gap: 3px;
    padding: 8px;
    border: 1px solid var(--seam);
    border-radius: 10px;
    background: var(--paper);
    font-size: 13.5px;
    line-height: 1.2;
    text-align: center;
    cursor: pointer;
    &:hover {
      border-color: var(--fox);
    }
  }
  small {
    color: var(--slate);
    font-size: 12.5px;
  }
`;

/** What is on the bench already, to start another from: those for the skill first. */
export function OtherDesigns({
  skill,
  materials,
  isBusy,
  onStart,
}: {
  skill: Skill;
  materials: readonly MaterialRow[];
  isBusy: boolean;
  onStart(design: Design): void;
}) {
  const { data: designs } = useDesigns();
  const others = [...(designs ?? [])]
    .sort((a, b) => Number(b.skill === skill) - Number(a.skill === skill) || a.id - b.id)
    .slice(0, MOST);
  if (others.length === 0) return null;
  return (
    <>
      <Seam />
      <h3>{text('orStartFromThese')}</h3>
      <Others aria-label={text('designsStartFrom')}>
        {others.map((d) => (
          <li key={d.id}>
            <button type="button" disabled={isBusy} onClick={() => onStart(d)}>
              <DesignPicture design={d} materials={materials} />
              <span>{d.name}</span>
              <small>{formatAges(d.ageFrom, d.ageTo)}</small>
            </button>
          </li>
        ))}
      </Others>
    </>
  );
}
