// The operating chart. Model is drawn as lines, measurement as crosses with whiskers and the word beside them.
const d3 = window.d3;

export function operatingChart(p, read) {
  const c = p.chart;
  const svg = d3.select('#chart');
  // On a phone the drawing is narrower, so that its letters stay readable.
  const width = svg.node().clientWidth < 600 ? 430 : 760;
  svg.attr('viewBox', `0 0 ${width} 470`);
  const box = { left: 52, right: width - 18, top: 14, bottom: 432 };
  svg.selectAll('*').remove();
  const mostV = d3.max(c.curves[0].points, (d) => d.volts);
  const top =
    1000 *
    1.08 *
    Math.max(
      d3.max(c.path, (d) => d.amperes),
      2.5 * c.idle.amperes,
      d3.max(read, (d) => d.highAmperes) || 0,
    );
  const low = c.mirrored.length ? 1000 * 1.08 * d3.min(c.mirrored, (d) => d.amperes) : 0;
  const x = d3.scaleLinear([0, mostV], [box.left, box.right]);
  const y = d3.scaleLinear([low, top], [box.bottom, box.top]);
  const line = d3.line(
    (d) => x(d.volts),
    (d) => y(1000 * d.amperes),
  );
  svg
    .append('clipPath')
    .attr('id', 'frame')
    .append('rect')
    .attr('x', box.left)
    .attr('y', box.top)
    .attr('width', box.right - box.left)
    .attr('height', box.bottom - box.top);
  const inside = svg.append('g').attr('clip-path', 'url(#frame)');
  plateCurves(svg, inside, c, x, y, box, line);
  ratings(svg, inside, p, x, y, box, line, mostV);
  // The way back runs over the way out: half a cycle shows both.
  const half = (points) => points.slice(points.length / 4, (3 * points.length) / 4 + 1);
  if (c.composite.length) {
    inside
      .append('path')
      .attr('class', 'composite')
      .attr('d', line(half(c.composite)));
    inside
      .append('path')
      .attr('class', 'mirrored')
      .attr('d', line(half(c.mirrored)));
    inside
      .append('line')
      .attr('class', 'zero')
      .attr('x1', box.left)
      .attr('x2', box.right)
      .attr('y1', y(0))
      .attr('y2', y(0));
  }
  inside
    .append('path')
    .attr('class', 'path')
    .attr('d', line(half(c.path)));
  idle(inside, p, x, y);
  measured(inside, read, x, y);
  svg
    .append('g')
    .attr('class', 'axis')
    .attr('transform', `translate(0,${box.bottom})`)
    .call(d3.axisBottom(x).ticks(width / 90));
  svg.append('g').attr('class', 'axis').attr('transform', `translate(${box.left},0)`).call(d3.axisLeft(y).ticks(8));
  svg
    .append('text')
    .attr('x', box.right)
    .attr('y', box.bottom + 32)
    .attr('text-anchor', 'end')
    .text('plate to cathode, V');
  svg
    .append('text')
    .attr('transform', `translate(14,${box.top}) rotate(-90)`)
    .attr('text-anchor', 'end')
    .text('plate current, mA');
  document.getElementById('legend').textContent = [
    `Model: thin, the curves ${screens(c)}; thick, the path of one tube at full drive`,
    c.composite.length ? '; long dashes, the other tube mirrored; dots, both together' : '',
    `; red dashes, ${p.ratedWatts} W. `,
    p.idleBand === null
      ? 'How far the idle point is off is not known at these volts.'
      : `The whisker at the idle point: the model's ± ${(100 * p.idleBand).toPrecision(2)} % at this bias.`,
    selfBiased(c)
      ? ` The idle point lies off the path: full drive raises the cathode from ${c.idleCathodeVolts.toFixed(1)} V to ` +
        `${c.drivenCathodeVolts.toFixed(1)} V, so that the stage plays about a colder point than it rests at.`
      : '',
    read.length ? " Measured: crosses with the meter's whiskers." : '',
  ].join('');
  reader(svg, c, x, y);
}

// At which screen volts the curves hold.
function screens(c) {
  const rest = `${Math.round(c.screenVolts)} V`;
  if (c.follows === 0) return `at ${rest} on the screens`;
  if (c.follows === 1) return `with the screens at the plates`;
  return `with the screens following ${Math.round(100 * c.follows)} % of the plate's swing, ${rest} at rest`;
}

// Full drive moves the cathode of a tube that biases itself.
function selfBiased(c) {
  return Math.abs(c.drivenCathodeVolts - c.idleCathodeVolts) > 0.05;
}

function plateCurves(svg, inside, c, x, y, box, line) {
  const taken = [];
  c.curves.forEach((curve) => {
    inside.append('path').attr('class', 'curve').attr('d', line(curve.points));
    const end = curve.points.filter((d) => 1000 * d.amperes <= y.domain()[1]).pop();
    if (!end) return;
    const text = curve.grid === 0 ? '0 V' : `−${Math.abs(curve.grid)} V`;
    const place = { x: Math.min(box.right - 3, x(end.volts)), y: Math.max(box.top + 10, y(1000 * end.amperes) - 4) };
    const width = 7 * text.length + 4;
    // Where curves leave through the top their names stand below one another, each on its own curve.
    const free = (at) => taken.every((t) => Math.abs(t.y - at.y) >= 14 || at.x - width >= t.x || at.x <= t.x - t.width);
    const along = curve.points.filter((d) => 1000 * d.amperes <= y.domain()[1]).reverse();
    const at = [place, ...along.map((d) => ({ x: x(d.volts) - 2, y: y(1000 * d.amperes) + 4 }))].find(
      (at) => at.x - width > box.left && at.y > box.top + 8 && free(at),
    );
    if (!at) return;
    taken.push({ ...at, width });
    svg
      .append('text')
      .attr('class', 'grid-name')
      .attr('x', at.x)
      .attr('y', at.y)
      .attr('text-anchor', 'end')
      .text(text);
  });
}

function ratings(svg, inside, p, x, y, box, line, mostV) {
  const hyperbola = d3.range(mostV / 80, mostV, mostV / 80).map((volts) => ({ volts, amperes: p.ratedWatts / volts }));
  inside.append('path').attr('class', 'rating').attr('d', line(hyperbola));
  if (p.plateVolts !== null && p.plateVolts < mostV) {
    inside
      .append('line')
      .attr('class', 'limit')
      .attr('x1', x(p.plateVolts))
      .attr('x2', x(p.plateVolts))
      .attr('y1', box.top)
      .attr('y2', box.bottom);
    svg
      .append('text')
      .attr('x', x(p.plateVolts) - 4)
      .attr('y', box.bottom - 6)
      .attr('text-anchor', 'end')
      .text(`${p.plateVolts} V rated, DC`);
  }
  if (p.cathodeAmperes !== null && 1000 * p.cathodeAmperes < y.domain()[1]) {
    inside
      .append('line')
      .attr('class', 'limit')
      .attr('x1', box.left)
      .attr('x2', box.right)
      .attr('y1', y(1000 * p.cathodeAmperes))
      .attr('y2', y(1000 * p.cathodeAmperes));
    svg
      .append('text')
      .attr('x', box.left + 6)
      .attr('y', y(1000 * p.cathodeAmperes) - 4)
      .text(`${1000 * p.cathodeAmperes} mA cathode rated, average`);
  }
}

function idle(inside, p, x, y) {
  const { volts, amperes } = p.chart.idle;
  if (p.idleBand !== null)
    inside
      .append('line')
      .attr('class', 'whisker')
      .attr('x1', x(volts))
      .attr('x2', x(volts))
      .attr('y1', y(1000 * amperes * (1 - p.idleBand)))
      .attr('y2', y(1000 * amperes * (1 + p.idleBand)));
  inside
    .append('circle')
    .attr('class', 'idle')
    .attr('cx', x(volts))
    .attr('cy', y(1000 * amperes))
    .attr('r', 5.5);
}

function measured(inside, read, x, y) {
  let below = -Infinity;
  [...read]
    .sort((a, b) => b.amperes - a.amperes)
    .forEach((d) => {
      const g = inside.append('g').attr('class', `read${d.newest ? '' : ' older'}`);
      const cx = x(d.volts);
      const cy = y(1000 * d.amperes);
      g.append('line')
        .attr('x1', cx)
        .attr('x2', cx)
        .attr('y1', y(1000 * d.lowAmperes))
        .attr('y2', y(1000 * d.highAmperes));
      g.append('path').attr('d', `M${cx - 5},${cy - 5}L${cx + 5},${cy + 5}M${cx - 5},${cy + 5}L${cx + 5},${cy - 5}`);
      if (d.newest) {
        const place = Math.max(cy + 4, below + 12);
        below = place;
        g.append('text')
          .attr('x', cx + 10)
          .attr('y', place)
          .text(`${d.name} measured`);
      }
    });
}

// Where the chart is read: a curve and a point on it; it stays while a slider moves.
let cursor = null;

// What the pointer is nearest to, or arrow keys moved to: a point of a curve, with the figures that were computed there.
function reader(svg, c, x, y) {
  const label = document.getElementById('read');
  const mark = svg.append('circle').attr('class', 'cursor').attr('r', 4);
  const top = y.domain()[1];
  const at = (p) => [x(p.volts), y(1000 * p.amperes)];
  const nearest = (px, py, curves) => {
    let best = null;
    curves.forEach((curve) =>
      c.curves[curve].points.forEach((p, point) => {
        if (1000 * p.amperes > top) return;
        const [qx, qy] = at(p);
        const far = Math.hypot(qx - px, qy - py);
        if (!best || far < best.far) best = { curve, point, far };
      }),
    );
    return best;
  };
  const all = c.curves.map((curve, i) => i);
  const here = () => cursor && c.curves[cursor.curve] && c.curves[cursor.curve].points[cursor.point];
  const show = () => {
    const p = here();
    mark.attr('visibility', p ? 'visible' : 'hidden');
    if (!p) return;
    const [px, py] = at(p);
    mark.attr('cx', px).attr('cy', py);
    const { grid } = c.curves[cursor.curve];
    const named = grid === 0 ? 'grid 0 V' : `grid −${Math.abs(grid)} V`;
    label.textContent = `${p.volts.toFixed(0)} V, ${(1000 * p.amperes).toFixed(1)} mA: ${p.watts.toFixed(1)} W, ${named}`;
  };
  const move = (to) => {
    cursor = to || cursor;
    show();
  };
  svg.on('pointermove pointerdown', (event) => {
    const [px, py] = d3.pointer(event);
    // Below the axis stands the other tube, its current counted downward.
    move(nearest(px, y(Math.abs(y.invert(py))), all));
  });
  svg.on('keydown', (event) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!step) return;
    event.preventDefault();
    const [ix, iy] = at(c.idle);
    const from = here() ? cursor : nearest(ix, iy, all);
    const curve = Math.max(0, Math.min(c.curves.length - 1, from.curve + step[1]));
    const { points } = c.curves[curve];
    if (step[1]) move(nearest(...at(c.curves[from.curve].points[from.point]), [curve]));
    else move({ curve, point: Math.max(0, Math.min(points.length - 1, from.point + step[0])) });
  });
  show();
}
