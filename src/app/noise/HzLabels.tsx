import { DECADES, NARROW_DECADES } from './scales';

interface Props {
  /** Where a frequency stands. */
  x: (hz: number) => number;
  /** Width of the chart; a narrow one has fewer labels. */
  width: number;
  right: number;
  y: number;
  fill: string;
}

/** The frequencies under a chart. */
export const HzLabels = ({ x, width, right, y, fill }: Props) =>
  (width > 500 ? DECADES : NARROW_DECADES).map(([hz, text]) => (
    <text key={hz} x={Math.min(x(hz), right)} y={y} textAnchor={hz === 20_000 ? 'end' : 'middle'} fill={fill}>
      {text}
    </text>
  ));
