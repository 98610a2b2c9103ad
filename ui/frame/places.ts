/** The places of the product: where they are, the letter after `g`, and the help that each shows. */
export const PLACES = [
  {
    path: '/',
    name: 'Today',
    letter: 't',
    help: [
      'What is open, late and due, for this company, today.',
      'Press a tag to open its tree. “Done” settles a visit that was only a look. A treatment is done by its record, or left out with a reason; its next one is dated.',
      'The margin says what is forbidden today, and by which rule.',
    ],
  },
  {
    path: '/trees',
    name: 'Trees',
    letter: 'e',
    help: [
      'Clients, their places, and every tree.',
      'Type a tag, a street, a client or a host to find a tree; several words narrow it down. A phone finds it by its code before the camera, too.',
      'Trees come in from a CSV file, and go out as CSV or GeoJSON.',
      'A place has hours at which one may be there, sections for choosing trees and splitting days, and what is to be done without a plan: to come back for, or left to the client.',
      'Its client has a page and a calendar of their own, by an address that can be ended, and says there what is done.',
      '“Offer it to the client” puts all that is planned on a place into one offer, coming out asked once a day.',
      'Each place has a plan: draw it by handles or by numbers, or bring GeoJSON in. Water, hives and neighbours on it answer the gates.',
    ],
  },
  {
    path: '/jobs',
    name: 'Jobs',
    letter: 'j',
    help: [
      'Plans and works whose time has come, by place and in walking order, with what to load; what is planned for later stands below.',
      'Open a tag to start its sheet. The load adds up products, water, devices with spares, bits, tools, mesh and what to wear; what the shelf cannot give says so.',
      'Sound trees come first on each place; then bits and blades are changed or disinfected.',
      '“Days and crews for the fortnight” finds who goes where on which day: hours of crews and places, licences, kits, driving, the forecast, what a miss would cost. Open a job to ask why not another day, put it there, or let it stay; drag it where you have a mouse. Nothing stands until you keep the rounds.',
      'What could not be done in its time stands below as over: plan it anew, or drop it a row at a time.',
      'Crews, their hours and who is away stand behind “Crews”; the hours of a place are kept with the place.',
      'On the board a touch is for all devices of a trunk; “One by one” goes from one to the next, “Read off” tells the end best, and the way round is drawn below.',
      'A sheet shows all that is done at its tree, with and without a product; written up, it leads to the next of them and back to the round.',
      'A phone of somebody in a crew holds its rounds. Without signal the bar says so, and how much waits; press it to see what waits, to send, or to hand it over.',
    ],
  },
  {
    path: '/schedule',
    name: 'Schedule',
    letter: 's',
    help: [
      'The year of a place: what stands there grows by heat, chill and short days, and the days ahead by the forecast. A stroke is expected within its bar; a triangle was seen.',
      '“Say the stage”, then the stage you see: it stands, moves what follows this season, and is learned for the next.',
      'Infections count only in the stages in which a host can be infected. Rain brings the renewal of a cover forward; the visit says so.',
      'Below, month by month: what was planned for its window, what is counted from what was done, and days of your own.',
      'Programmes lay a whole season over many trees: choose them, see what it would mean, press once. A broken ring waits for a look; say what it found, and the rest follows.',
      'Where the season has moved, a programme shows its visits with old day, new day and why; one press moves them.',
      'Move the ribbons by dragging, + and − bring them closer, up and down take one visit after the other in hand. Drag it, or step it, to another day: what that breaks is told at once, and it moves when you press.',
      'Where heat or cold has moved the window of what is planned, “The season has moved” shows old day and new; one press moves the plans.',
      'Bars show the days in which a visit makes sense. Subscribe to the calendar under your name.',
    ],
  },
  {
    path: '/stock',
    name: 'Stock',
    letter: 'k',
    help: [
      'Labels, lots, and the vessels you measure with.',
      'A label counts once somebody has read it against the label in hand and signed it here.',
      'Doses are rounded to the marks of your own vessels, never above the label.',
      'A lot is counted anew, or taken out as spilled or given back; the table says where each product went, and what to order.',
      'Bits, devices and tools listed here are held against the load sheet.',
    ],
  },
  {
    path: '/guide',
    name: 'Guide',
    letter: 'g',
    help: [
      'The field guide: every host, sign, quick test and condition that the ranking works with.',
      'Search by what you would say on the telephone, by a Latin name, a host, a place on the tree or a month; slips are forgiven.',
      'All drawings stand on one page, hosts by their leaves on another; the margin holds the look-alike tables.',
      'Each condition shows its year at a place of your own; what waits for somebody to see it says for what.',
      'An arborist can say “we know better” on a condition; an update keeps it. Under “Our own entries” stand hosts, signs, conditions and works of your own; they take part in everything, and travel to others as a file.',
      'A practice round draws a case: ask for looks, name it, decide, and see the engine’s own way.',
    ],
  },
  {
    path: '/records',
    name: 'Records',
    letter: 'r',
    help: [
      'Everything that was done: treatments, and work without a product. Nothing in it can be changed; a correction is a new version with its reason.',
      'Withdrawn, a treatment was never done: its stock goes back, and its plan is open again.',
      'Filter, print one record, or take all of it out as CSV.',
    ],
  },
  {
    path: '/calculators',
    name: 'Calculators',
    letter: 'c',
    help: ['Any single calculation, without a client and without a record.'],
  },
] as const;

/** Help for pages that are not in the bar. */
const OTHER_HELP: Record<string, readonly string[]> = {
  '/phone': [
    'What waits on this phone to be sent, in its order; what was sent and refused, and what this phone holds.',
    'What is refused is kept: give the reason that it asks for and send it again, or set it aside with a word. What happened is never changed here.',
    '“Hand over in a file” is for a phone that will see no signal: anybody carries it to one that does, only the server can open it, and it is written for whoever did it.',
    'A phone that was lost is ended here by its owner, or by whoever manages people; it shows nothing once it hears of it, at the latest after seven days.',
  ],
  '/practice': [
    'A case is drawn from the guide by its number. Each look costs its minutes, and some wound the tree.',
    'You are scored on the truth, the decision, minutes wasted, and harm. Afterwards the engine shows its own way.',
  ],
  '/trees': [
    'The twig at the left shows the steps: Measure, Inspect, Diagnose, Prescribe, Treat, Follow up. Any of them can be opened at any time.',
    'Inspect: grade what you see; “Nothing else here” settles a place. The next look is what would tell most for its minute; Alt and a figure answer it. The balance shows what speaks for and against each candidate.',
    'Diagnose: the ranking and the rules make a proposal with its reasons; you decide. “One page for the client” can be read out and printed.',
    'Prescribe asks when: in its window, today, or on a day of your own. What only the day can tell (leaf, soil, air, flowers) is a condition of the visit and is asked on the sheet. “Meanwhile” shows what may be done today.',
    'Prescribe: every label and every work without a label, side by side. What only somebody at the tree can say is asked; a site of the ring can be dragged or stepped, and a move that breaks a rule is refused with its reason.',
    'What you type is kept on this device until it is saved.',
    'n and p walk to the next and the previous tree; m measures, i inspects, r records a treatment.',
  ],
  '/settings/rules': [
    'Every gate there is: what it is about, where its facts come from, and which labels and regions set it.',
    'An owner keeps the region profile here; each change is a version, and a profile nobody has compared lately is said to be stale.',
  ],
  '/settings/team': ['Who works here, in which role, with which licence. Only an owner changes it.'],
  '/settings': ['Your units, your theme, your calendar address, and a way out on every device.'],
};

export const helpFor = (path: string): readonly string[] =>
  PLACES.find((p) => p.path !== '/' && path.startsWith(p.path))?.help ??
  Object.entries(OTHER_HELP).find(([k]) => path.startsWith(k))?.[1] ??
  PLACES[0].help;
