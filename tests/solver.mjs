// An integer-programming solver (HiGHS, from the npm registry) on the same cases:
// node tests/solver.mjs < cases.json. A case is {target, items: [[gross, net?], …]};
// the answer is the smallest number of items that make the target, or null when none do.
import highsLoader from 'highs';
import { readFileSync } from 'node:fs';

const highs = await highsLoader();
const cases = JSON.parse(readFileSync(0, 'utf8'));
const answers = cases.map(({ target, items }) => {
    const names = items.flatMap((values, item) => values.map((value, way) => ({ name: `x${item}_${way}`, value })));
    const term = ({ name, value }) => `${value < 0 ? '-' : '+'} ${Math.abs(value)} ${name}`;
    const problem = [
        'Minimize',
        ` obj: ${names.map(({ name }) => name).join(' + ')}`,
        'Subject To',
        ` sum: ${names.map(term).join(' ')} = ${target}`,
        ...items.map((values, item) => ` once${item}: ${values.map((_, way) => `x${item}_${way}`).join(' + ')} <= 1`),
        'Binary',
        ` ${names.map(({ name }) => name).join(' ')}`,
        'End',
    ].join('\n');
    const solution = highs.solve(problem, {
        mip_rel_gap: 0,
        mip_abs_gap: 0,
        mip_feasibility_tolerance: 1e-9,
        primal_feasibility_tolerance: 1e-9,
    });
    if (solution.Status !== 'Optimal') {
        return null;
    }
    const taken = names.filter(({ name }) => Math.round(solution.Columns[name].Primal) === 1);
    const sum = taken.reduce((total, { value }) => total + value, 0);
    return sum === target ? taken.length : 'inexact';
});
process.stdout.write(JSON.stringify(answers));
