<script setup lang="ts">
import { computed } from 'vue'
import type { Supply } from '~~/core/catalogue/hardware/hardwarePart'
import { fittingSupplies, supplyRows } from '~~/core/machine/power/supplyChoice'
import type { Plan } from '~~/core/plan/planSchema'
import { averagePricePerKWh } from '~~/core/plan/energyPrice'
import { startCourse } from '~~/core/machine/power/startSurge'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import PlanField from '~/components/common/PlanField.vue'
import ProposalTable from '~/components/common/ProposalTable.vue'
import { useFormat } from '~/composables/useFormat'
import { useMachineParts } from '~/composables/useMachineParts'
import { usePlanStore } from '~/stores/planStore'
import { startMargin, startPicture } from './startLayout'

/** Will it start, and which supply is the smallest that carries it. */
const store = usePlanStore()
const { assembly, lists, withPartIn } = useMachineParts()
const { quantity, number, money, share } = useFormat()
const height = 300
const course = computed(() => (assembly.value ? startCourse(assembly.value.start) : []))
const supply = computed(() => assembly.value?.supply ?? null)
const picture = (width: number) =>
  startPicture(course.value, {
    width,
    height,
    ratingW: supply.value?.ratingW ?? null,
    amps12: supply.value?.amps12 ?? null,
  })
const table = computed(() =>
  course.value.map(({ s, watts, amps12 }) => [
    quantity(s, 's'),
    quantity(watts, 'W'),
    quantity(amps12, 'A'),
  ]),
)
const fixed = computed(() => assembly.value?.build.base?.fixed.includes('supply') ?? false)
const question = computed(() =>
  assembly.value && store.plan
    ? {
        runningW: assembly.value.runningW,
        surge: assembly.value.surge,
        idleDcW: assembly.value.power.idleDcW + assembly.value.drives.idleW,
        mainsVolts: store.plan.brief.mainsVolts,
        pricePerKWh: averagePricePerKWh(store.plan.costs),
      }
    : null,
)
const choices = computed(() =>
  question.value
    ? supplyRows(
        fittingSupplies(
          lists.value.hardware.filter((part): part is Supply => part.kind === 'supply'),
          assembly.value?.housing?.supplyForm ?? null,
        ),
        question.value,
      )
    : null,
)
const sentence = computed(() => {
  const context = assembly.value
  if (!context) return ''
  const { surge, start } = context
  const drives =
    start.surges.length === 0
      ? 'The start'
      : 'The start with ' +
        `${surge.groups > 1 ? `at most ${start.together} of ${start.surges.length} drives at a time` : start.surges.length === 1 ? 'its drive' : `${start.surges.length} drives at once`}`
  if (!supply.value)
    return `${drives} takes ${quantity(surge.watts, 'W')}; the supply is not known.`
  return surge.watts <= supply.value.ratingW && surge.amps12 <= supply.value.amps12
    ? `${drives} takes ${quantity(surge.watts, 'W')}; the supply gives ` +
        `${quantity(supply.value.ratingW, 'W')}, so it starts.`
    : `${drives} takes ${quantity(surge.watts, 'W')} and ${number(surge.amps12, 3)} A at 12 ` +
        `V; the supply gives ${quantity(supply.value.ratingW, 'W')} and ` +
        `${number(supply.value.amps12, 3)} A. It switches off before the machine is up.`
})
const columns = [
  { id: 'supply', label: 'Supply' },
  { id: 'running', label: 'At work', isNumber: true },
  { id: 'idle', label: 'Idle, at the wall', isNumber: true },
  { id: 'waste', label: 'Against the smallest, a year', isNumber: true },
  { id: 'price', label: 'Price', isNumber: true },
]
function planWith(row: { readonly supply: Supply }): Plan | null {
  const machine = withPartIn(row.supply.id)
  return machine && store.plan && { ...store.plan, machine }
}
</script>

<template>
  <div class="columns">
    <div class="side">
      <p class="sheet sentence">
        {{ sentence }}
      </p>
      <ChartFrame
        title="Power from the press of the button"
        :columns="['After', 'Power', 'At 12 V']"
        :rows="table"
      >
        <template #default="{ width }">
          <svg
            :viewBox="`0 0 ${width} ${height}`"
            :height="height"
            width="100%"
            role="img"
            :aria-label="sentence"
          >
            <g v-for="tick in picture(width).ticksX" :key="`x${tick}`">
              <text :x="picture(width).x(tick)" :y="height - 16" text-anchor="middle" class="soft">
                {{ tick }}
              </text>
            </g>
            <text :x="width / 2" :y="height - 2" text-anchor="middle" class="soft">seconds</text>
            <g v-for="tick in picture(width).ticksY" :key="`y${tick}`">
              <line
                :x1="startMargin.left"
                :x2="width - startMargin.right"
                :y1="picture(width).y(tick)"
                :y2="picture(width).y(tick)"
                class="grid"
              />
              <text
                :x="startMargin.left - 6"
                :y="picture(width).y(tick) + 4"
                text-anchor="end"
                class="soft"
              >
                {{ tick }} W
              </text>
            </g>
            <text
              v-for="tick in picture(width).ticksAmps"
              :key="`a${tick}`"
              :x="width - startMargin.right + 6"
              :y="picture(width).yAmps(tick) + 4"
              class="soft"
            >
              {{ tick }} A
            </text>
            <path
              :d="`${picture(width).watts}V${picture(width).y(0)}H${picture(width).x(0)}Z`"
              class="water"
            />
            <path :d="picture(width).watts" class="watts" />
            <path :d="picture(width).amps" class="amps" />
            <template v-if="picture(width).wall !== null">
              <line
                :x1="startMargin.left"
                :x2="width - startMargin.right"
                :y1="picture(width).wall!"
                :y2="picture(width).wall!"
                class="wall"
              />
              <text :x="startMargin.left + 6" :y="picture(width).wall! - 6">
                the supply gives {{ quantity(supply!.ratingW, 'W') }}
              </text>
            </template>
            <template v-if="picture(width).wallAmps !== null">
              <line
                :x1="width - startMargin.right - 60"
                :x2="width - startMargin.right"
                :y1="picture(width).wallAmps!"
                :y2="picture(width).wallAmps!"
                class="wall thin"
              />
              <text
                :x="width - startMargin.right - 6"
                :y="picture(width).wallAmps! + 15"
                text-anchor="end"
              >
                {{ quantity(supply!.amps12, 'A') }} at 12 V
              </text>
            </template>
          </svg>
        </template>
        <template #below>
          <p class="soft small">
            Filled: watts that the supply has to give. Dashed: amps at 12 V, by the scale on the
            right. A drive takes up to 25 W for some seconds while it spins up.
          </p>
        </template>
      </ChartFrame>
      <section class="sheet">
        <h2>Power supplies for this case</h2>
        <p v-if="fixed" class="soft">
          The supply of this machine is its maker's own, so nothing goes in its place.
        </p>
        <ProposalTable
          v-else
          label="Power supplies compared"
          mark="supply"
          :columns="columns"
          :rows="choices?.rows ?? []"
          :key-of="row => row.supply.id"
          :name-of="row => row.supply.label"
          :plan-of="planWith"
          :is-in="row => row.supply.id === supply?.id"
        >
          <template #supply="{ row }">
            {{ row.supply.label }}
            <span class="soft"
              >{{ row.supply.efficiency === 'brick' ? 'brick' : row.supply.efficiency
              }}{{ row.passes ? '' : ', too small'
              }}{{
                row.supply.id === choices!.recommended?.id ? ', the smallest that does' : ''
              }}</span
            >
          </template>
          <template #running="{ row }">
            {{ share(row.runningShare) }}
          </template>
          <template #idle="{ row }">
            {{ quantity(row.idleWallW, 'W') }}
          </template>
          <template #waste="{ row }">
            {{ Math.abs(row.wastePerYear) < 0.005 ? '–' : money(row.wastePerYear) }}
          </template>
          <template #price="{ row }">
            {{ money(row.supply.price) }}
          </template>
        </ProposalTable>
        <p class="soft small">
          The column against the smallest: what a supply takes more (or less) at idle than the
          smallest that does, in money a year. Never open a power supply, not even an unplugged one.
        </p>
      </section>
    </div>
    <section class="sheet side">
      <div class="figures">
        <FigureValue id="machine.idleW" />
        <FigureValue id="machine.loadW" />
        <FigureValue id="machine.startSurgeW" />
        <FigureValue id="machine.startAmps12" />
        <FigureValue id="machine.runningW" />
        <FigureValue id="machine.supplyMinimumW" />
        <FigureValue id="machine.startMinutes" />
      </div>
      <div class="fields">
        <PlanField path="machine.startTogether" placeholder="all" />
        <PlanField path="brief.mainsVolts" />
        <PlanField path="machine.boxIdleW" placeholder="by its parts" />
        <PlanField path="machine.boxLoadW" placeholder="by its parts" />
        <PlanField path="costs.pricePerKWh" />
      </div>
      <p class="soft small">
        Measure once the machine stands: a plug-in meter for an evening replaces all of this. Do not
        chain extension leads, and leave everything that is wired into the house to a licensed
        electrician.
      </p>
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.7fr) minmax(260px, 1fr);
}
.sentence {
  font-size: 1.02rem;
}
.figures,
.fields {
  --least: 130px;
}
.grid {
  stroke: rgba(var(--v-theme-hairline), 0.8);
}
.water {
  fill: rgba(var(--v-theme-water), 0.3);
}
.watts {
  fill: none;
  stroke: rgb(var(--v-theme-water));
  stroke-width: 2;
}
.amps {
  fill: none;
  stroke: rgb(var(--v-theme-ink-soft));
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}
.wall {
  stroke: rgb(var(--v-theme-wall));
  stroke-width: 5;
}
.wall.thin {
  stroke-width: 3;
}
</style>
