import type { Annotation } from '@/core/walks/observation';

/** Marks over a picture, drawn from their parts of its width and height; the picture itself is never touched. */
export function Annotations({ marks }: { marks: readonly Annotation[] }) {
  return (
    <svg className="picture-marks" viewBox="0 0 1000 750" preserveAspectRatio="none" aria-hidden="true">
      {marks.map((mark, index) => (
        <Shape key={index} mark={mark} />
      ))}
    </svg>
  );
}

const WIDTH = 1000;
const HEIGHT = 750;
const HEAD = 26;

function Shape({ mark }: { mark: Annotation }) {
  const [x, y] = [mark.from[0] * WIDTH, mark.from[1] * HEIGHT];
  if (mark.form === 'text') return <Words x={x} y={y} text={mark.text} />;
  const [tx, ty] = [mark.to[0] * WIDTH, mark.to[1] * HEIGHT];
  if (mark.form === 'ring')
    return (
      <ellipse
        cx={(x + tx) / 2}
        cy={(y + ty) / 2}
        rx={Math.max(12, Math.abs(tx - x) / 2)}
        ry={Math.max(12, Math.abs(ty - y) / 2)}
      />
    );
  const turn = Math.atan2(ty - y, tx - x);
  const head = (from: readonly [number, number], angle: number): string =>
    `M${from[0] - HEAD * Math.cos(angle - 0.5)} ${from[1] - HEAD * Math.sin(angle - 0.5)}L${from[0]} ` +
    `${from[1]}L${from[0] - HEAD * Math.cos(angle + 0.5)} ${from[1] - HEAD * Math.sin(angle + 0.5)}`;
  return (
    <>
      <path
        d={
          `M${x} ${y}L${tx} ` +
          `${ty}${head([tx, ty], turn)}${mark.form === 'measure' ? head([x, y], turn + Math.PI) : ''}`
        }
      />
      {mark.form === 'measure' && <Words x={(x + tx) / 2} y={(y + ty) / 2 - 18} text={mark.text} />}
    </>
  );
}

const Words = ({ x, y, text }: { x: number; y: number; text: string }) => (
  <text x={x} y={y} textAnchor="middle">
    {text}
  </text>
);

/** A picture with its marks, small or large. */
export function AnnotatedPicture({
  source,
  alt,
  marks,
  width,
  height,
}: {
  source: string;
  alt: string;
  marks: readonly Annotation[];
  width: number;
  height: number;
}) {
  return (
    <span className="marked-picture" style={{ width, height }}>
      <img src={source} alt={alt} width={width} height={height} />
      {marks.length > 0 && <Annotations marks={marks} />}
    </span>
  );
}
