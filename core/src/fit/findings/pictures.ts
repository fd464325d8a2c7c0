/** Findings about pictures. */
import { childLabels, familyIndex } from '../../family/weave';
import { picturesOf } from '../../pictures/assign';
import type { Child, Place } from '../../family/shape';
import type { CheckContext, Finding } from '../context';
import { optionPictures } from '../project';

const at = (child: Child): Place => ({ level: 'child', childId: child.id });
const named = (context: CheckContext, child: Child) =>
  childLabels(context.family, child).join(' · ') || 'The only child';

/** Pictures: enough of them, large enough, the main one on white. */
export function pictureFindings(context: CheckContext): Finding[] {
  const { family, rulebook, plan } = context;
  const { rules } = context.category;
  const found: Finding[] = [];
  const wrong = new Set<string>();
  const look = (ids: readonly string[], place: Place, whose: string) => {
    ids.forEach((id, number) => {
      const facts = context.pictures[id];
      const shorter = facts ? Math.min(facts.width, facts.height) : 0;
      const flaw = !facts
        ? 'gone'
        : shorter < rules.pictures.leastPixels
          ? 'small'
          : number === 0 && rules.pictures.whiteMain && !facts.whiteBackground
            ? 'not-white'
            : null;
      if (!flaw || wrong.has(id + flaw)) return;
      wrong.add(id + flaw);
      const name = facts?.fileName ?? 'A picture';
      const text = {
        gone: `A picture of ${whose} is gone.`,
        small: `${name} is ${facts?.width} × ${facts?.height} pixels; ${rulebook.name} wants ${rules.pictures.leastPixels} at least on both sides.`,
        'not-white': `${name} leads ${whose} and has no white background; ${rulebook.name} wants one on the main picture.`,
      }[flaw];
      found.push({
        code: `picture.${flaw}`,
        severity: 'stops',
        place: pictureHome(context, id) ?? place,
        key: 'pictures',
        rule: flaw === 'small' ? 'pictures.leastPixels' : 'pictures.whiteMain',
        text,
      });
    });
  };
  const few = (count: number, place: Place, whose: string) => {
    const { atLeast } = rules.pictures;
    if (count >= atLeast) return;
    const text =
      count === 0
        ? `${whose} has no picture on ${rulebook.name}.`
        : `${whose} has ${count} of the ${atLeast} pictures ${rulebook.name} asks for.`;
    found.push({ code: 'picture.missing', severity: 'stops', place, key: 'pictures', rule: 'pictures.atLeast', text });
  };
  if (rules.axes.pictures === 'child') {
    for (const child of context.offered) {
      const all = picturesOf(family, child);
      few(all.length, at(child), named(context, child));
      look(all.slice(0, rules.pictures.atMost), at(child), named(context, child));
      if (all.length > rules.pictures.atMost)
        found.push({
          code: 'picture.more',
          severity: 'advises',
          place: at(child),
          key: 'pictures',
          rule: 'pictures.atMost',
          text: `${rules.pictures.atMost} of ${all.length} pictures of ${named(context, child)} are sent.`,
        });
    }
    return found;
  }
  if (!plan) return found;
  const shown = new Set(family.pictures);
  const bare: Finding[] = [];
  if (plan.pictureAxis !== null) {
    const axis = plan.axes[plan.pictureAxis]!;
    for (const option of axis.options) {
      const first = context.offered.find((child) =>
        axis.from.every((id, number) => child.at[id] === option.valueIds[number]),
      )!;
      const own = optionPictures(context, option.valueIds, first);
      const place: Place = { level: 'value', axisId: axis.from[0]!, valueId: option.valueIds[0]! };
      if (own.length === 0)
        bare.push({
          code: 'picture.option-missing',
          severity: 'warns',
          place,
          key: 'pictures',
          rule: 'axes.pictures',
          text: `${option.label} has no picture of its own on ${rulebook.name}: choosing it changes nothing.`,
        });
      own.forEach((id) => shown.add(id));
    }
  } else for (const value of familyIndex(family).valueById.values()) value.pictures.forEach((id) => shown.add(id));
  few(shown.size, { level: 'family' }, 'The family');
  // Where there is no picture at all, that is the one thing to say.
  if (shown.size > 0) found.push(...bare);
  // Only what goes out is looked at: pictures beyond the channel's number stay here and harm nothing.
  for (const listing of context.listings) {
    const sent = new Set([
      ...listing.pictures,
      ...listing.axes.flatMap((axis) => axis.options.flatMap((option) => option.pictures ?? [])),
    ]);
    look(
      [...sent].map((address) => address.slice(context.pictureBase.length)),
      { level: 'family' },
      'the family',
    );
  }
  if (shown.size > rules.pictures.atMost)
    found.push({
      code: 'picture.more',
      severity: 'warns',
      place: { level: 'family' },
      key: 'pictures',
      rule: 'pictures.atMost',
      text: `${rules.pictures.atMost} of ${shown.size} pictures go to ${rulebook.name}; the first of each option are kept first.`,
    });
  return found;
}

/** Where a picture stands, so that a finding leads there. */
function pictureHome(context: CheckContext, id: string): Place | null {
  const { family } = context;
  if (family.pictures.includes(id)) return { level: 'family' };
  for (const axis of family.axes) {
    const value = axis.values.find((one) => one.pictures.includes(id));
    if (value) return { level: 'value', axisId: axis.id, valueId: value.id };
  }
  return null;
}
