import { render, screen } from '@testing-library/react';
import { smallParts } from '../../core/gauge/smallParts.ts';
import type { Mark } from '../../core/drawing/mark.ts';
import { nearestLevel } from '../design/nearestLevel.ts';
import { Ladder } from '../stations/shape/Ladder.tsx';
import { CAP, show, TUB } from '../testing/desk.tsx';
import { loadPattern } from '../../core/patterns/index.ts';
import { design, kinds } from '../../core/testing.ts';
import { secondsLine } from '../../core/challenge/line.ts';
import { Gauge } from './Gauge.tsx';
import { Marks } from './Marks.tsx';
import { Mat } from './Mat.tsx';
import { Picture } from './Picture.tsx';

const drop = await loadPattern('drop-through');
const svg = (children: React.ReactNode) => render(<svg>{children}</svg>).container.querySelector('svg')!;

describe('marks', () => {
  it('keep their sizes in mm, whatever a pixel is', () => {
    const marks: Mark[] = [
      { kind: 'circle', role: 'body', at: [50, 50], radius: 47.5 },
      {
        kind: 'outline',
        role: 'opening',
        points: [
          [29, 41.5],
          [71, 41.5],
          [71, 58.5],
          [29, 58.5],
        ],
      },
    ];
    const drawn = svg(<Marks marks={marks} px={0.31} unit="mm" />);
    const paths = [...drawn.querySelectorAll('path')].map((p) => p.getAttribute('d'));
    expect(paths).toEqual([
      'M2.5 50a47.5 47.5 0 1 0 95 0a47.5 47.5 0 1 0 -95 0Z',
      'M29 41.5L71 41.5L71 58.5L29 58.5Z',
    ]);
  });
  it('write a measurement in the place’s unit', () => {
    const mark: Mark = {
      kind: 'dimension',
      from: [0, 0],
      to: [38.1, 0],
      side: [0, 8],
      value: 38.1,
      label: 'lid',
    };
    expect(svg(<Marks marks={[mark]} px={0.3} unit="mm" />)).toHaveTextContent('lid 38.1');
    expect(svg(<Marks marks={[mark]} px={0.3} unit="in" />)).toHaveTextContent('lid 1 1/2');
  });
});

describe('elements of marks', () => {
  const circle = (x: number, colour = '#B0451A'): Mark => ({
    kind: 'circle',
    role: 'body',
    at: [x, 0],
    radius: 5,
    colour,
  });
  const line: Mark = {
    kind: 'line',
    role: 'cut',
    points: [
      [40, 0],
      [49, 9],
    ],
  };
  const of = (marks: Mark[]) => (
    <svg>
      <Marks marks={marks} px={0.3} unit="mm" />
    </svg>
  );
  const fills = (marks: Mark[]) =>
    [...render(of(marks)).container.querySelectorAll('path')].map(
      (p) => `${p.getAttribute('fill')} ${p.getAttribute('d')!.split('M').length - 1}`,
    );
  it('stay what they are when one more comes before them', () => {
    const { container, rerender } = render(of([circle(0), line]));
    const path = container.querySelector('path[fill=none]');
    rerender(of([circle(0), circle(20), line]));
    expect(container.querySelector('path[fill=none]')).toBe(path);
  });
  it('are one for what looks alike and lies apart', () => {
    expect(fills([circle(0), circle(20), circle(60)])).toEqual(['#B0451A 3']);
    expect(fills([circle(0), circle(20, '#2C5F8A'), circle(60)])).toEqual(['#B0451A 2', '#2C5F8A 1']);
  });
  it('keep what lies over what', () => {
    expect(fills([circle(0), circle(4)])).toEqual(['#B0451A 1', '#B0451A 1']);
    expect(fills([circle(0), circle(20, '#2C5F8A'), circle(24)])).toEqual([
      '#B0451A 1',
      '#2C5F8A 1',
      '#B0451A 1',
    ]);
  });
});

describe('the mat', () => {
  it('has numbers along its edges every 50 mm, or every inch', () => {
    const { rerender } = render(
      <Mat width={200} height={120} unit="mm" label="mat">
        {() => null}
      </Mat>,
    );
    expect(screen.getByRole('img', { name: 'mat' })).toHaveTextContent(/50.*100.*150/);
    rerender(
      <Mat width={200} height={120} unit="in" label="mat">
        {() => null}
      </Mat>,
    );
    expect(screen.getByRole('img', { name: 'mat' })).toHaveTextContent(/1″.*2″.*3″/);
  });
  it('shows all of what is drawn on it', () => {
    render(
      <Mat width={300} height={40} unit="mm" label="mat">
        {() => null}
      </Mat>,
    );
    const mat = screen.getByRole('img', { name: 'mat' });
    const [, , w, h] = mat.getAttribute('viewBox')!.split(' ').map(Number) as [
      number,
      number,
      number,
      number,
    ];
    const [x, y] = /translate\((\S+) (\S+)\)/
      .exec(mat.querySelector('g[transform]')!.getAttribute('transform')!)!
      .slice(1)
      .map(Number) as [number, number];
    expect(x).toBeGreaterThanOrEqual(0);
    expect(y).toBeGreaterThanOrEqual(0);
    expect(x + 300).toBeLessThanOrEqual(w);
    expect(y + 40).toBeLessThanOrEqual(h);
  });
  it('keeps its scale while what lies on it grows a little, when it is steady', () => {
    const scale = (width: number, steady: boolean): number => {
      const { unmount } = render(
        <Mat width={width} height={40} unit="mm" label="mat" steady={steady}>
          {() => null}
        </Mat>,
      );
      const box = screen.getByRole('img', { name: 'mat' }).getAttribute('viewBox')!.split(' ');
      unmount();
      return Number(box[2]);
    };
    expect(scale(305, true)).toBe(scale(300, true));
    expect(scale(305, false)).not.toBe(scale(300, false));
    for (const width of [10, 140, 150, 300, 1000, 3000]) {
      expect(scale(width, true)).toBeGreaterThanOrEqual(width);
      expect(scale(width, true)).toBeLessThanOrEqual(Math.max(scale(width, false) * 1.2 + 1e-6, 704 / 5));
    }
  });
});

describe('the gauge', () => {
  it.each([
    [38, 'standing out'],
    [20, 'inside'],
  ])('shows a %d mm cap %s', (diameter, word) => {
    const shape = { kind: 'cylinder', diameter, length: 14 } as const;
    render(<Gauge shape={shape} answer={smallParts(shape)} name="Cap" unit="mm" />);
    const picture = screen.getByRole('img', { name: `Cap in the small-parts cylinder, ${word}` });
    for (const figure of ['31.7', '25.4', '57.1']) expect(picture).toHaveTextContent(figure);
  });
});

describe('a picture', () => {
  it('is drawn to its neighbours’ scale', () => {
    const size = (span: number): number => {
      const [, , w] = render(<Picture material={CAP} span={span} />)
        .container.querySelector('svg')!
        .getAttribute('viewBox')!
        .split(' ')
        .map(Number);
      return w!;
    };
    expect(size(38)).toBeCloseTo(38 * 1.06, 6);
    expect(size(100)).toBeCloseTo(106, 6);
  });
});

describe('the ladder', () => {
  const chosen = kinds({ container: TUB, piece: CAP });
  const dials = drop.defaults({ approach: 'prepared shelf', chosen, ageFrom: 18 });
  const levels = drop.levels(design(dials, chosen));
  const ladder = (
    line: ReturnType<typeof secondsLine>,
    here: number | null = null,
    open: string | null = null,
  ) =>
    show(
      <Ladder
        levels={levels}
        problem={null}
        chosen={open}
        nearest={nearestLevel(levels, here)?.id ?? null}
        line={line}
        onChoose={() => {}}
        onAdopt={() => {}}
        busy={false}
        unit="mm"
      />,
    );

  it('shows the load that orders it, and the level that is yours', () => {
    const mine = levels.findIndex((r) => r.differs.length === 0);
    expect(mine).toBeGreaterThan(0);
    ladder(null, levels[0]!.load.total);
    const buttons = screen.getAllByRole('button', { pressed: false });
    expect(buttons).toHaveLength(levels.length);
    expect(buttons[1]).toHaveTextContent(levels[1]!.load.total.toFixed(1));
    expect(buttons.map((b) => b.textContent.includes('yours'))).toEqual(levels.map((_, i) => i === mine));
    expect(screen.queryByText(/± /)).toBeNull();
  });
  it('says which dials of an open level differ from yours', () => {
    const other = levels.find((r) => r.id === 'tongs')!;
    ladder(null, null, other.id);
    expect(screen.getByText(/Differs from yours/)).toHaveTextContent('Picked up with Tongs');
  });
  it('shows seconds with their interval only from one’s own notes', () => {
    ladder(
      secondsLine([
        [7, 6],
        [10, 9],
        [11.5, 12],
        [14, 14],
        [7, 7],
      ]),
    );
    expect(screen.getAllByText(/\d+ ± \d+ s/)).toHaveLength(levels.length);
  });
});
