import type { PlantGraph } from '../plant';
import { refuse, type Refusal } from '../rules/refuse';
import type { Command } from './commands';
import type { Context } from './site';

/** The conductors that a command has to do with, by number: what is switched, earthed, discharged or proved. */
function listConductors(graph: PlantGraph, command: Command): number[] {
  const at = (): string[] => {
    switch (command.kind) {
      case 'lock-point':
      case 'tag-point':
      case 'replace-lock':
      case 'see-open':
      case 'unlock-point':
        return [...(graph.links[graph.linkAt.get(command.link) ?? -1]?.between ?? [])];
      case 'open-outlet':
      case 'close-outlet':
        return [graph.outlets[graph.outletAt.get(command.outlet) ?? -1]?.section ?? ''];
      case 'restrain-store':
      case 'wait-out-store':
      case 'free-store': {
        const placed = graph.stores[graph.storeAt.get(command.store) ?? -1];
        return [graph.sections[placed?.section ?? -1]?.id ?? ''];
      }
      case 'prove':
        return command.proof.startsWith('voltage:') ? [command.proof.slice('voltage:'.length)] : [];
      default:
        return [];
    }
  };
  return at()
    .flatMap((id) => graph.sectionAt.get(id) ?? [])
    .filter((section) => graph.carrier[section] === 'current');
}

/**
 * Refuses someone whose electrical authorisation does not go as far as the voltage of what they act on. One that names no voltage goes as
 * far as the site's rule; a conductor without a voltage on the drawing is taken for one above that.
 */
export function requireVoltage(command: Command, context: Context): Refusal[] {
  const { site, actor, now } = context;
  const { graph } = site;
  const person = site.people.get(actor);
  const low = site.values['electrical-authority-v'];
  const held = (person?.authorisations ?? [])
    .filter(
      ({ role, until }) => role === 'isolating-electrical' && Date.parse(until) >= Date.parse(now),
    )
    .map(({ up_to_v: most }) => most ?? low);
  // Without any it is their role that is asked for, and refused there.
  if (person === undefined || held.length === 0) return [];
  const most = Math.max(...held);
  const wanted = listConductors(graph, command).map((section) => {
    const { id = '', voltage_v: volts } = graph.sections[section] ?? {};
    return { id, volts, asks: volts ?? low + 1 };
  });
  const beyond = wanted.find(({ asks }) => asks > most);
  if (!beyond) return [];
  const { id, volts } = beyond;
  return [
    refuse('voltage-beyond', {
      person: person.name,
      most,
      section: id,
      stands: volts === undefined ? `at a voltage that the drawing does not give` : `at ${volts} V`,
    }),
  ];
}
