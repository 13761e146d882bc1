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
      text: "Dry air is 20.946 % oxygen. Damp air holds a little less, and so does thin air: packets are rated at sea level and 20 °C, so the room's height and warmth are counted in.",
      sum: "oxygen = air × share × pressure ÷ 101.325 × 293 ÷ (273 + t)",
      source: "US Standard Atmosphere 1976; ISO 2533; Hyland and Wexler in ASHRAE Fundamentals",
    },
    {
      title: "How many packets",
      text: "By the air: the oxygen there and a fifth more, since less leaves oxygen behind and more does no harm. By container: the rule of thumb, 100 mL a quart, whatever is in it. It is near enough for grain pressed flat, and short for airy food. From the packets you keep, the fewest millilitres over, then the fewest packets.",
      sum: "quart 100 · half gallon 200 · gallon 400 · 5 gallon 2,000 mL",
      source: "common practice",
    },
    {
      title: "How long it keeps",
      text: "Each kind of food has a life at 21 °C for each way of packing, by three schools. Warmth uses it up faster: about twice as fast 10 °C warmer. Every stretch in every place is written in the package's ledger, day by day with its season; what lies ahead is reckoned with the mean of the year. A cool place is never promised more than a third over.",
      sum: "life used = Σ days × Q10^((t − 21) ÷ 10), over the swing of the year",
      source: "Q10 rule (Labuza, 1982, from memory); lives in the table",
    },
    {
      title: "When the larder says stop",
      text: "No absorber with anything moist: no oxygen and some moisture is what botulism needs. The line is 10 %; traded grain, pulses and pasta pass to 13.5 %, where nothing can grow in a cool store. None with sugar or salt: it sets like brick. When in doubt, throw it out, and ask your local food-safety authority.",
      sum: "moisture ≤ 10 %, or ≤ 13.5 % for grain, pulses, pasta",
      source: "common practice; ASABE D245",
    },
  ];
</script>

<div class="grid gap-4 md:grid-cols-2 lg:grid-cols-3">
  {#each PARTS as part (part.title)}
    <section class="flex flex-col rounded-2xl border-[1.5px] border-line p-4.5">
      <h2 class="text-[1.25rem]">{part.title}</h2>
      <p class="mt-2 flex-1 leading-normal">{part.text}</p>
      <p class="mt-3 rounded-lg bg-cream px-3 py-2 text-[0.93rem] font-semibold">{part.sum}</p>
      <p class="caption mt-2">Source: {part.source}</p>
    </section>
  {/each}
</div>
