<!-- How the figures on the bench come about, in words and sums. -->
<script lang="ts">
  const PARTS: { title: string; text: string; sum: string; source: string }[] = [
    {
      title: "What fits in a bag",
      text: "A bag is bought flat. Plump, it holds less than it looks: its sides pull in. The seal strip is taken off first, and a top left empty and pressed flat makes it a shorter bag.",
      sum: "volume = w³ · (h ÷ πw − 0.142 · (1 − 10^(−h ÷ w)))",
      source: "the paper-bag approximation (Robin, 2004)",
    },
    {
      title: "The air among the food",
      text: "Grain is only part grain. What its weight takes up as solid is taken from the space; the rest is air, and so is the headspace. Freeze-dried food and flakes are mostly pores, so mostly air. Pressing drives out the air above the food, never the air inside it.",
      sum: "air = closed volume − weight ÷ density of the solid",
      source: "densities in the table of foods; ASABE D241 for grain",
    },
    {
      title: "The oxygen in that air",
      text: "Dry air is 20.946 % oxygen. Damp air holds a little less, and so does thin air: absorbers are rated at sea level and 20 °C (68 °F), so the room's height and warmth are counted in.",
      sum: "oxygen = air × share × pressure ÷ 101.325 × 293 ÷ (273 + t)",
      source: "US Standard Atmosphere 1976; ISO 2533; Hyland and Wexler in ASHRAE Fundamentals",
    },
    {
      title: "How many absorbers",
      text: "By the air: the oxygen there and a fifth more, since less leaves oxygen behind and more does no harm. By container: the rule of thumb, 100 mL a quart, whatever is in it. By kind: the same for dense food, and far more for airy food. Where they differ stands in the table of packets. From the absorbers you keep, the fewest millilitres over, then the fewest packets.",
      sum: "quart 100 · half gallon 200 · gallon 400 · 5 gallon 2,000 mL",
      source: "common practice",
    },
    {
      title: "Oxygen over the years",
      text: "Absorbers take up oxygen in proportion to what is there, most of it within a day and slower in the cold; the wall lets some back, in proportion to what is missing inside, the more the warmer it stands; each opening brings new air. Film half as thick lets twice as much through. Foil and glass let in so little that the absorbers never tire; bare plastic uses them up, and then the oxygen comes back. The band is from the tightest wall of its kind to the leakiest.",
      sum: "oxygen in = (wall × area + lid) × warmth × difference to the air outside + air × openings; up = oxygen there ÷ 0.35 days",
      source: "Fick; oxygen through walls in the table; pace of absorbers by our judgement from common practice",
    },
    {
      title: "Absorbers over a whole run",
      text: "All containers of a run sheet are looked at together, with the absorbers in stock: spares in the jar by what they are still worth, closed packs as they come, whole. Never below need; then the least waste, counting what goes in beyond the need and a quarter of what comes out of a pack and finds no container; then the fewest absorbers and packs. What is short is bought in whole packs.",
      sum: "least Σ over + ¼ Σ spares; worth of a spare = 1 − minutes out ÷ 240 − air of its jar × 20.9 % ÷ rating",
      source: "integer program, solved by HiGHS; common practice, the rest by our judgement",
    },
    {
      title: "The fifteen minutes",
      text: "Once absorbers are open the clock runs, and it is the larder's: a reload or a second screen shows the same. The pace leans on that of your last run until there is one to go by. Absorbers are opened for as many as can be closed in four fifths of the time. Those that will not be done in time belong back in the jar now, and go on from where they stood.",
      sum: "seconds each = (2 × usual + Σ so far) ÷ (2 + how many so far)",
      source: "common practice, fifteen minutes",
    },
    {
      title: "Moisture over the years",
      text: "Water comes in through the wall, past the lid and with each opening, and spreads between air, food and gel until they agree. An opening changes all the air in the container, and counts as five minutes in which damp sinks in through the mouth. Crisp food goes soft and powder clumps long before anything grows; flour, leather and grain take no harm before mould does, brown sugar sets hard in dry air instead, and mould takes its time, the less the damper. Gel is sized so that the line is not passed for as long as you want it; the packaging standard, which knows nothing of food, stands beside it. Never gel with an absorber: the iron needs a little moisture to work.",
      sum: "time = ∫ d(food + gel) ÷ ((wall + air exchanged) × (room − inside)); soft or clumped above the line of its kind, mould above 0.65",
      source: "isotherms in the table; silica gel by makers' curves; DIN 55474 and MIL-D-3464; Katz and Labuza (1981), from memory",
    },
    {
      title: "Vacuum, and insects without air",
      text: "A pump leaves some air, and that share of the oxygen. At one per cent or less every stage of every insect dies within weeks, warm rooms faster; up to three it takes up to three times as long; at four, what a kitchen machine leaves, eggs live. So vacuum keeps food fresh for a year or a few, and freezing or an absorber kills.",
      sum: "oxygen left = 20.9 % × pressure left ÷ pressure outside; four weeks at 20 °C (68 °F), twenty days at 25 °C (77 °F)",
      source: "Dalton; controlled-atmosphere storage of grain, FAO and Annis (1987), from memory",
    },
    {
      title: "Which container?",
      text: "Every way to put each lot into one or two kinds of container is looked at, all lots at once. What counts: the price of what must be bought and half of that for what is in stock; absorbers; the time to fill and close each; the share of the food's worth that is lost if it keeps too short, or stands open too long once the kitchen starts on it. What a rule stops is left out. You can always choose differently.",
      sum: "least Σ price + absorbers + handling + worth × (1 − life ÷ wanted) + worth × open too long",
      source: "integer program, solved by HiGHS; the weights by our judgement",
    },
    {
      title: "How long it keeps",
      text: "Each kind of food has a life at 21 °C (70 °F) for each way of packing, by three estimates, cautious, typical and hopeful. Warmth uses it up faster: about twice as fast 10 °C (18 °F) warmer. Every stretch in every place is written in the package's ledger, day by day with its season; what lies ahead is calculated with the mean of the year. A cool place stretches a life by a third at the most, or to what is published for the freezer.",
      sum: "life used = Σ days × Q10^((t − 21) ÷ 10), over the swing of the year",
      source: "Q10 rule (Labuza, 1982, from memory); lives in the table",
    },
    {
      title: "Fresh, frozen, in tins",
      text: "What is not kept dry goes by how it is kept: in a freezer, a fridge, a cellar, a room, by how cold the place is over the year. Each has its own life in the table, and what was used of one stays used in the next. A tin or jar keeps as its maker closed it, and once it is open as leftovers do. It is counted here, not taught: for canning at home, go by a tested recipe and your local food-safety authority. A tin that is blown, leaks, spurts or is rusted through is thrown out, never tasted.",
      sum: "share used = Σ days ÷ life as it is kept there",
      source: "US government charts of cold storage and the cupboard; extension advice on roots and bulbs; from memory",
    },
    {
      title: "What was there already",
      text: "A line is read for how many, in what, of what, closed how, where and since when; what it does not say is taken as usual, and said. Life counts from the middle of the time that is remembered: a month, a year, a year more on either side for about, ten years for nobody knows. The cautious estimate counts from its first day, the hopeful one from its last. A best-by of the maker counts when it comes first. Words that no food has are left over, and said; what is counted weighs what it usually weighs, by the table of portions.",
      sum: "life left = life − days since the middle, ± half of the time remembered",
      source: "our judgement",
    },
    {
      title: "Foods, mixes and containers of your own",
      text: "Of a food of your own only what you know is written: the rest is calculated as of the food it is most like, by its solids, and marked with a star. Energy that is not known follows from its parts. A mix is added up from what is in it, by weight; it keeps as long as its shortest part, and a caution of any part is one of the whole: meat, what was dried at home, insects' eggs; sugar, salt and oil from a tenth on, powder and grain from a half. Fresh food of your own dries as what it is most like, sooner or later by how it is cut and how warm it is. A container of your own lets through what its material and its lid do, and is drawn by what it holds; filled with water it tells its volume.",
      sum: "figure = known, or like's × (100 − water) ÷ (100 − like's water); mix = Σ share × figure; volume = (full − empty) ÷ 0.998 g/mL",
      source:
        "mass balance; Atwater's general factors, fibre by Regulation (EU) 1169/2011; walls and lids in the table of containers; the shares by our judgement",
    },
    {
      title: "Seeds for planting",
      text: "Germination falls in a straight line when it is drawn in probits over time. How steeply follows from the life of the kind in a cool dry room, and from how they are kept: each 5 °C (9 °F) cooler and each 1 % of moisture less doubles it, between 0 and 50 °C (32 and 122 °F) and between 5 and 14 %. A jar with silica gel counts as air of 20 %, paper as the air of the place. A test of ten says little, so what was expected counts beside it for four seeds; its band holds nine times in ten. Under half, sow twice as thick; under a fifth, grow them out or let them go.",
      sum: "probit of germination = probit of the last known − years ÷ σ; life = table × 2^((18 − °C) ÷ 5) × 2^(moisture at rest with air of 50 % − moisture)",
      source: "Ellis and Roberts (1980); Harrington (1972); lives: US extension tables, from memory; bands: Wilson (1927)",
    },
    {
      title: "The best-by is the least",
      text: "A package is calculated once, and its protections, what is said of it, its best-by and its pictures are read off that. A life without oxygen counts only while the oxygen stays away: after that it keeps as a vacuum does while there is little, and then, or from the start, as food closed with air. Whatever that comes to, it is over when damp shows. The cautious estimate believes in the leakiest wall, the hopeful one in the tightest; the band adds what a place's warmth and a food's pace may be off.",
      sum: "least of: the best of { life with air; life under vacuum, until half the room's oxygen is back; life without oxygen, until one per cent is back }; the day it is soft, clumped or mouldy",
      source: "table of lives, oxygen and moisture as above; mould: germination of spores (Snow, 1944), from memory, shortened",
    },
    {
      title: "Opened, closed again, poured over",
      text: "Each stretch of a package's life costs a share of the life that food has closed as it was then, and the shares add up: opening does not set the clock back, and closing well again does not either. Once open its absorbers and its vacuum are spent; it counts as closed with air, and with each opening the room's moisture comes in. Closed again with absorbers, they are sized for the air that is in there now. What became too moist while it was open is not put under vacuum or absorbers any more. Of two rests put together the one with the least life left counts. Which first: the open one, then the one with the least life left, then the one nearly empty; a pail last.",
      sum: "share used = Σ over stretches of life used there ÷ life in that packing",
      source: "cumulative damage, as time–temperature tolerance of frozen food has it (van Arsdel, 1957), from memory; which first: common practice",
    },
    {
      title: "A place, measured",
      text: "A place is taken for a year: a mean, how much warmer its warmest is, in which month. What a data logger measured there counts in its stead, hour by hour, and a thermometer read once a day does as well; where nothing was measured, the year counts, fitted to what was. Readings that no place has, and a sensor that shows one figure for a week, are left out. Warm spells are days in a row above 30 °C (86 °F); what they cost is told in days of life. Heat counts for more than cold makes good: the mean kinetic temperature is the steady one that would age things as much.",
      sum: "life used = mean over its hours of q10 to the power of (°C − 21) ÷ 10; mean kinetic temperature = 10,000 K ÷ − ln of the mean of e to the power of −10,000 K ÷ T",
      source: "Q10 rule; Haynes (1971), USP ⟨1160⟩, from memory; the year: regression on one harmonic, with what was typed as its prior",
    },
    {
      title: "Inside a package",
      text: "Oxygen, water activity and life from the day it was closed, through all that happened to it, and on: the sums are those of the Bench. Opened, all its air is the room's; carried elsewhere, it goes on from what it had come to; a seal found loose counts from the last day it was known to be good. What would be done today is calculated as if it had been done.",
      sum: "life left on a day = what the card says on that day",
      source: "oxygen, moisture and best-by as above",
    },
    {
      title: "When the larder says stop",
      text: "One ladder for every closing. Above a water activity of 0.85 germs that poison can grow: such food is perishable, and nothing makes it keep but cold. No absorber and no vacuum with anything moist: no oxygen and some moisture is what botulism needs. Moist is what passes its line, 10 %, or 13.5 % for traded grain, pulses and pasta; what is sticky; and what can mould at the warmest of the store. None either with what was dried at home before it is conditioned. No absorber with sugar or salt: it hardens into a brick. When in doubt, throw it out, and ask your local food-safety authority.",
      sum: "perishable > 0.85 water activity; moist > 0.65, or > 10 % (grain, pulses, pasta 13.5 %); nothing grows < 0.60",
      source: "common practice; ICMSF; FDA 21 CFR 113 and 114, from memory; ASABE D245",
    },
    {
      title: "What you need in a day",
      text: "Energy by age, sex, weight, height and how much you move; protein by age and weight. Where height or weight are not said, the usual for the age stands in; where the sex is not said, the mean of both formulas. Guests count for the weeks they stay. These are means over healthy people: a doctor's figure goes before them.",
      sum: "woman: 354 − 6.91·age + a·(9.36·kg + 726·m); man: 662 − 9.53·age + a·(15.91·kg + 539.6·m); protein 0.8 g a kg",
      source: "Institute of Medicine (2005), Dietary Reference Intakes, from memory",
    },
    {
      title: "What to store",
      text: "Each meal is taken apart into ingredients, scaled to those at the table, and multiplied by how often it is cooked in the time you want to be ready for. Cups weigh what that food weighs loose; a can of beans stands for 71 g (2½ oz) dry; an onion for what is left of it when its water is gone. Spices are left out, if you like. The diary gives the same from what was truly eaten: its average a day, over the days kept.",
      sum: "need = Σ meals · helpings ÷ written for × at the table × times; missing = need − shelves − cupboard",
      source: "common practice; household measures of the USDA tables, from memory",
    },
    {
      title: "This week's list",
      text: "Of all baskets that the sum at hand can buy, in whole packs at the newest price of each shop, the one that lets you cook the most whole meals; among those the one that adds the most days of food; among those the cheapest. Nothing is bought beyond what its food still lacks. What is not spent is carried over, and the weeks to the goal are the same sum done week after week.",
      sum: "most whole meals, then most energy towards the gap, then least money",
      source: "integer program, solved by HiGHS (Huangfu and Hall, 2018)",
    },
    {
      title: "Killing eggs by cold",
      text: "The cold goes in from the outside: the middle of a flat bag is cold in hours, that of a full pail after a day and a half. How fast is calculated from the shape, what the food does with heat, and the air: still or moved by a fan. Our hold of four days begins when the middle is at −15 °C (5 °F). Then it warms closed until its middle is above the room's dew point, or the room's water settles on it. Frost outdoors does it too, and slowly, since insects harden in it: four weeks at −15 °C, eight at −10, twelve at −5 (5, 14, 23 °F), by the warmest hour of the last week that a logger told; hours that turn out warmer do not count. Cold kills what is inside, and nothing that comes later.",
      sum: "share of the way still to go = product of a slab's and a cylinder's series, Bi = h·r ÷ k, Fo = a·t ÷ r²",
      source:
        "Carslaw and Jaeger (1959); heat in bulk food: Mohsenin (1980), ASHRAE, from memory; holds: common practice and extension advice; frost: Canadian government advice on cold in stored grain, from memory",
    },
    {
      title: "When a load will be dry",
      text: "Before anything is weighed: the hours of the table, by two things that hold the water back: the air, in proportion to the thickness and against how much more vapour it can hold than the room puts into it; and the food itself, by the square of the thickness, less when it is warm, more through a skin. Then every weighing is fitted, together with what was expected, by a curve that falls fast and then slowly; the band is where nine loads in ten end. The food comes to rest with the air around it, and never gets drier than that.",
      sum: "water left = e^(−k·tⁿ); target = start × (1 − water) ÷ (1 − water when dry)",
      source: "Page (1949); psychrometrics as above; hours: common practice and extension tables",
    },
    {
      title: "Is it dry?",
      text: "The hand and the scale are asked, and whichever says that it is still wet is believed: too wet moulds, too dry costs nothing. Cool it first. A dry face over a wet middle comes of too much heat, thick pieces and skins left whole: it is warned of before, and looked for by cutting a thick piece through.",
      sum: "moisture = 1 − solids ÷ weight; dry within two points of the target, and to the touch",
      source: "common practice: dry until dry",
    },
    {
      title: "The jar that proves it",
      text: "A few days part-full in a jar, shaken daily, even the pieces out and show what is still moist. Anything but free goes back to the dryer, and the count starts again. Never with a desiccant, which would take up the very sign. Until a jar is done, no absorber goes in with that lot: one wet piece without oxygen is what botulism needs.",
      sum: "5, 7 or 10 days found free, one look a day; a missed day does not count and does no harm",
      source: "common practice five days, published advice seven to ten",
    },
    {
      title: "Water in food and air",
      text: "Water activity is the humidity of the air that food is at rest with. It decides what grows: nothing below 0.60, mould above 0.65, botulism far above. Each kind of food has its curve; warmth pushes it up.",
      sum: "grain: RH = 1 − e^(−K·(t + C)·Mᴺ); the rest: GAB with the heat of sorption",
      source: "ASABE D245; GAB (Iglesias and Chirife, Handbook of Food Isotherms), from memory",
    },
    {
      title: "Freeze-drying",
      text: "The water of the load is set against the ice the wall holds, and the hours against what the pump draws off, or the thickness of the layer, whichever takes longer. All frozen or all fresh, nothing fatty. Dry is when two weighings two hours apart agree. Then it absorbs moisture from the room: how fast follows from the room's humidity, and the clock gives it one point of moisture.",
      sum: "minutes to close it = −τ · ln(1 − 1 ÷ (at rest with the room − dry))",
      source: "common practice; uptake and layers by our judgement",
    },
    {
      title: "How a food is best kept",
      text: "The least trouble that reaches: first its own packet in a pail, then a jar or pail with its lid on, then vacuum, then an absorber in glass, then in foil, by the table of lives, the estimate you take and the coolest place you have. Never an absorber with sugar, salt or anything moist or sticky. Where nothing reaches, the list says how long the best of them lasts: store less of it, and eat it up in turn.",
      sum: "first packing with life ÷ pace in the coolest place ≥ years wanted",
      source: "lives in the table; common practice",
    },
  ];
</script>

<div class="grid gap-4 md:grid-cols-2 lg:grid-cols-3">
  {#each PARTS as part (part.title)}
    <section class="flex flex-col rounded-2xl border-[1.5px] border-line p-4.5">
      <h2 class="text-xl">{part.title}</h2>
      <p class="mt-2 flex-1 leading-normal">{part.text}</p>
      <p class="mt-3 rounded-lg bg-cream px-3 py-2 text-md font-semibold break-words">{part.sum}</p>
      <p class="caption mt-2">Source: {part.source}</p>
    </section>
  {/each}
</div>
