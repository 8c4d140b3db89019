import { styled } from 'styled-components';

export const Page = styled.div`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 12px;
  min-height: 100%;
`;
/** Read from a metre away: letters of a hand's width on a tablet. */
export const Step = styled.section`
  background: var(--paper);
  border: 1px solid var(--seam);
  border-radius: 14px;
  padding: 18px 24px;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 10px 28px;
  align-content: start;
  h2 {
    font-size: clamp(26px, 3.6vw, 44px);
    line-height: 1.1;
  }
  .say {
    font-size: clamp(20px, 2.3vw, 29px);
    line-height: 1.32;
    max-width: 32em;
  }
  .over {
    grid-column: 1 / -1;
    display: flex;
    flex-wrap: wrap;
    gap: 6px 14px;
    font-size: 17px;
    color: var(--slate);
  }
  .over b {
    color: var(--stop);
  }
  .see {
    display: grid;
    gap: 10px;
    justify-items: center;
    align-content: start;
    text-align: center;
    font-size: 16px;
  }
  @media (max-width: 760px) {
    grid-template-columns: minmax(0, 1fr);
    padding: 14px 16px;
    .see {
      grid-auto-flow: column;
      justify-content: start;
      overflow: auto;
    }
  }
`;
export const Tools = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  justify-content: center;
  li {
    display: grid;
    justify-items: center;
    font-size: 15px;
  }
`;
export const Timers = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  li {
    border-radius: 10px;
    padding: 8px 14px;
    background: var(--linen);
    font-size: 16px;
  }
  li[data-over='true'] {
    background: var(--clear-tint);
  }
  b {
    font: 800 24px/1.1 var(--display);
    font-variant-numeric: tabular-nums;
    margin-right: 8px;
  }
`;
export const Elsewhere = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  font-size: 16px;
  color: var(--slate);
  font-variant-numeric: tabular-nums;
  b {
    color: var(--ink);
  }
`;
export const Foot = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 12px;
  position: sticky;
  bottom: 0;
  padding-bottom: 4px;
  background: var(--linen-page, transparent);
`;
export const Big = styled.button`
  min-height: 92px;
  border: 0;
  border-radius: 16px;
  background: var(--fox);
  color: #fff;
  font: 800 clamp(26px, 3.4vw, 38px) / 1.1 var(--display);
  cursor: pointer;
  &[data-calm='true'] {
    background: var(--mat);
  }
  &:disabled {
    opacity: 0.5;
  }
  &:focus-visible {
    outline: 4px solid var(--ink);
    outline-offset: 2px;
  }
`;
