// Small charts of one or several lines; every line bears its name.
const d3 = window.d3;
const letters = ['now', 'A', 'B'];

/**
 * @param {string} id the svg
 * @param {{name: string, css: string, points: number[][], right?: boolean}[]} lines
 * @param {object} o words, limits, dots and scales
 */
export function plot(id, lines, o) {
  const box = { left: 44, right: o.rightWords ? 356 : 372, top: 22, bottom: 192 };
  const svg = d3.select(`#${id}`);
  svg.selectAll('*').remove();
  const drawn = lines
    .map((l) => ({ ...l, points: l.points.filter((d) => d.every(Number.isFinite)) }))
    .filter((l) => l.points.length);
  if (!drawn.length && !(o.dots || []).length) return;
  const all = [...drawn.flatMap((l) => l.points.map((d) => d[0])), ...(o.dots || []).map((d) => d[0])];
  const x = o.log
    ? d3.scaleLog(d3.extent(all), [box.left, box.right])
    : d3.scaleLinear(o.fromZero ? [0, d3.max(all)] : d3.extent(all), [box.left, box.right]);
  const scale = (right) => {
    const values = drawn.filter((l) => Boolean(l.right) === right).flatMap((l) => l.points.map((d) => d[1]));
    const most = Math.max(
      d3.max(values) || 0,
      !right && o.limit ? 1.08 * o.limit : 0,
      right === Boolean(o.dotsRight) ? d3.max(o.dots || [], (d) => d[1]) || 0 : 0,
    );
    return d3.scaleLinear([0, 1.06 * most || 1], [box.bottom, box.top]);
  };
  const left = scale(false);
  const right = scale(true);
  svg
    .append('g')
    .attr('class', 'axis')
    .attr('transform', `translate(0,${box.bottom})`)
    .call(
      o.log
        ? d3
            .axisBottom(x)
            .tickValues(o.ticks)
            .tickFormat((d) => `×${d}`)
        : d3.axisBottom(x).ticks(6),
    );
  svg.append('g').attr('class', 'axis').attr('transform', `translate(${box.left},0)`).call(d3.axisLeft(left).ticks(5));
  if (o.rightWords)
    svg
      .append('g')
      .attr('class', 'axis')
      .attr('transform', `translate(${box.right},0)`)
      .call(d3.axisRight(right).ticks(5));
  svg
    .append('text')
    .attr('x', box.right)
    .attr('y', box.bottom + 31)
    .attr('text-anchor', 'end')
    .text(o.xWords);
  svg
    .append('text')
    .attr('x', box.left - 36)
    .attr('y', box.top - 9)
    .text(o.leftWords);
  if (o.rightWords)
    svg
      .append('text')
      .attr('x', box.right + 36)
      .attr('y', box.top - 9)
      .attr('text-anchor', 'end')
      .text(o.rightWords);
  if (o.limit)
    svg
      .append('line')
      .attr('class', 'limit')
      .attr('x1', box.left)
      .attr('x2', box.right)
      .attr('y1', left(o.limit))
      .attr('y2', left(o.limit));
  if (Number.isFinite(o.at))
    svg
      .append('line')
      .attr('class', 'at')
      .attr('x1', x(o.at))
      .attr('x2', x(o.at))
      .attr('y1', box.top)
      .attr('y2', box.bottom);
  drawn.forEach((l) =>
    svg
      .append('path')
      .attr('class', `line ${l.css}`)
      .attr(
        'd',
        d3.line(
          (d) => x(d[0]),
          (d) => (l.right ? right : left)(d[1]),
        )(l.points),
      ),
  );
  names(
    svg,
    drawn.map((l) => ({
      name: l.name,
      points: l.points.map((d) => [x(d[0]), (l.right ? right : left)(d[1])]),
    })),
    box,
  );
  (o.dots || []).forEach((d) => {
    const y = o.dotsRight ? right : left;
    svg
      .append('path')
      .attr('class', 'dot')
      .attr('d', `M${x(d[0]) - 4},${y(d[1]) - 4}l8,8m0,-8l-8,8`);
  });
  if ((o.dots || []).length)
    svg
      .append('text')
      .attr('class', 'name')
      .attr('x', box.left + 6)
      .attr('y', box.top + 10)
      .text('× measured');
}

// How high a drawn line runs at a place; nothing beyond its ends.
function heightAt(points, px) {
  const i = points.findIndex((d) => d[0] >= px);
  if (i < 0 || points[0][0] > px) return null;
  if (i === 0) return points[0][1];
  const [a, b] = [points[i - 1], points[i]];
  return a[1] + ((b[1] - a[1]) * (px - a[0])) / (b[0] - a[0] || 1);
}

// Each name stands on its own line, where it is furthest from the other lines and from the names already there.
function names(svg, lines, box) {
  const taken = [];
  lines.forEach((line) => {
    const width = 6.4 * line.name.length + 6;
    const [from, to] = [line.points[0][0], line.points[line.points.length - 1][0]];
    let best = null;
    for (let px = to; px - width >= Math.max(from, box.left); px -= 8) {
      for (const above of [true, false]) {
        const heights = [px, px - width / 2, px - width].map((at) => heightAt(line.points, at));
        const py = above ? Math.min(...heights) - 5 : Math.max(...heights) + 13;
        if (py < box.top + 8 || py > box.bottom - 3) continue;
        const others = lines
          .filter((l) => l !== line)
          .flatMap((l) => [px, px - width / 2, px - width].map((at) => heightAt(l.points, at)))
          .filter((h) => h !== null)
          .map((h) => Math.abs(h - (py - 4)));
        const written = taken.map((t) =>
          px - width > t.x || px < t.x - t.width ? Infinity : Math.abs(t.y - py) - 4,
        );
        const room = Math.min(40, ...others, ...written) - 0.01 * (to - px);
        if (!best || room > best.room) best = { x: px, y: py, room };
      }
    }
    if (!best) return;
    taken.push({ ...best, width });
    svg
      .append('text')
      .attr('class', 'name')
      .attr('x', best.x)
      .attr('y', best.y)
      .attr('text-anchor', 'end')
      .text(line.name);
  });
}

export function heat(settings) {
  const lines = [];
  settings.forEach((s, i) => {
    lines.push({
      name: i ? `plate ${letters[i]}` : 'plate',
      css: `setting-${i}`,
      points: s.heat.map((l) => [100 * l.drive, 100 * l.plate]),
    });
    if (i === 0)
      lines.push({
        name: 'screen',
        css: 'screen',
        points: s.heat.filter((l) => l.screen !== null).map((l) => [100 * l.drive, 100 * l.screen]),
      });
  });
  plot('heat', lines, { xWords: '% of full drive', leftWords: '%', limit: 100, fromZero: true });
}

export function distortion(settings, measured) {
  const lines = settings.map((s, i) => ({
    name: letters[i],
    css: `setting-${i}`,
    points: s.heat.filter((l) => l.distortion !== null).map((l) => [l.watts, 100 * l.distortion]),
  }));
  plot('distortion', lines, {
    xWords: 'watts into the load',
    leftWords: 'THD, %',
    fromZero: true,
    dots: measured.map((m) => [m.watts, 100 * m.distortion]),
  });
}
