/** What somebody is in a company, from who answers for it to who learns. */
export const ROLES = ['owner', 'lead', 'painter', 'apprentice'] as const;
export type Role = (typeof ROLES)[number];

/** What a role may do besides looking: what it says here is what the server refuses and what screens leave out. */
export const CAPABILITIES = {
  money: 'Rates and prices are for owners.',
  people: 'People and their devices are for owners.',
  plans: 'Jobs, rooms and surfaces are changed by leads and owners.',
  kit: 'The kit is changed by leads and owners.',
  others: 'What somebody else wrote is corrected or taken back by leads and owners.',
  log: 'The log is written by the people of the company.',
} as const;
export type Capability = keyof typeof CAPABILITIES;

const MAY: Readonly<Record<Role, readonly Capability[]>> = {
  owner: ['money', 'people', 'plans', 'kit', 'others', 'log'],
  lead: ['plans', 'kit', 'others', 'log'],
  painter: ['log'],
  apprentice: ['log'],
};

/** Whether a role may do something. */
export const may = (role: Role, capability: Capability): boolean => MAY[role].includes(capability);
