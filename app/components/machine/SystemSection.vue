<script setup lang="ts">
import { counted } from '~~/core/units/counted'
import { layouts } from '~~/core/drives/layouts/layouts'
import { withinSentence } from '~~/core/withinSentence'
import { computed, ref } from 'vue'
import type { SystemKind } from '~~/core/catalogue/systemKinds'
import { compareSystems, refusalReason } from '~~/core/machine/system/compareSystems'
import { protocolsFor, serviceMemoryGB, serviceSums } from '~~/core/machine/system/services'
import { automaticSystem, maxOwnSystems, maxServices } from '~~/core/plan/constants'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import ProposalTable from '~/components/common/ProposalTable.vue'
import { useFormat } from '~/composables/useFormat'
import { useMachineParts } from '~/composables/useMachineParts'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** Which kind of system runs on it, and what runs beside the media software. */
const store = usePlanStore()
const { assembly, lists } = useMachineParts()
const { money, quantity, number } = useFormat()
const picked = ref<number | null>(null)
const pickedKind = ref<number | null>(null)
const ownKinds = computed(() => system.value?.ownKinds ?? [])
const kindItems = computed(() => [
  { value: automaticSystem, title: 'By the machine' },
  ...lists.value.systemKinds.map(({ id, label }) => ({ value: id, title: label })),
])
/** A new kind of one's own, under a short name that is free. */
function addKind(): void {
  const taken = new Set(lists.value.systemKinds.map(({ id }) => id))
  let number = ownKinds.value.length + 1
  while (taken.has(`own-${number}`)) number++
  store.edit('system.ownKinds', [
    ...ownKinds.value,
    { id: `own-${number}`, label: `Own kind ${number}` },
  ])
}
const system = computed(() => store.plan?.system ?? null)
const services = computed(() => system.value?.services ?? [])
const ownLayout = computed(() => layouts.find(({ id }) => id === assembly.value?.layoutId))
const rows = computed(() =>
  assembly.value && store.plan
    ? compareSystems(lists.value.systemKinds, {
        context: assembly.value,
        wishes: store.plan.system,
        horizonYears: store.plan.choices.horizonYears,
        mixedSizes:
          ownLayout.value?.mixesSizes === false &&
          new Set(store.plan.drives.lots.map(({ sizeTB }) => sizeTB)).size > 1,
      })
    : [],
)
const chosen = computed(() => assembly.value?.system?.id ?? null)
const best = computed(() => rows.value[0])
const sentence = computed(() => {
  const own = rows.value.find(({ kind }) => kind.id === chosen.value)
  if (!own) return 'The kind of system is not known.'
  if (own.refusals.length)
    return (
      `${own.kind.label} will not do, because ` +
      `${own.refusals.map(refusalReason).join(' and ')}.`
    )
  return own.rank === 1
    ? `${own.kind.label} meets every must, and asks least of you.`
    : `${own.kind.label} meets every must; ${withinSentence(best.value!.kind.label)} would ` +
        'ask less of you.'
})
const columns = [
  { id: 'kind', label: 'Kind of system' },
  { id: 'skill', label: 'Skill', isNumber: true },
  { id: 'upkeep', label: 'Upkeep', isNumber: true },
  { id: 'watts', label: 'Power, idle', isNumber: true },
  { id: 'licence', label: 'Licence' },
  { id: 'leaving', label: 'Changing it later' },
  { id: 'help', label: 'Help' },
]
/** Steps of a licence that goes by the number of drives. */
function stepsText({ licence: { steps } }: Pick<SystemKind, 'licence'>): string {
  return steps
    .map(({ upToDrives, once }) => {
      const price = once > 0 ? money(once) : 'free'
      return upToDrives === null
        ? `any number ${price}`
        : `up to ${counted(upToDrives, 'drive')} ${price}`
    })
    .join(', ')
}
const planWith = ({ kind }: { readonly kind: { readonly id: string } }) =>
  store.plan && { ...store.plan, system: { ...store.plan.system, kind: kind.id } }
const sums = computed(() => serviceSums(services.value))
const protocols = computed(() =>
  protocolsFor(store.plan?.household.viewers ?? [], store.plan?.drives.arrivals ?? []),
)
const kindFields = [
  'label',
  'like',
  'once',
  'perYear',
  'upToDrives',
  'skill',
  'upkeepHoursPerYear',
  'mixedSizes',
  'growsByOne',
  'snapshots',
  'readableElsewhere',
  'containers',
  'guests',
  'wifi',
  'startsOffline',
  'leaving',
  'help',
]
const reach = { box: 'the machine alone', home: 'the home network', away: 'away as well' } as const
const warnings = {
  awayWritesIrreplaceable:
    'is reached from away and can write to what is irreplaceable: whoever breaks into it ' +
    'takes that along. Let it read only.',
  unlikeInContainer: 'shares a container with services of another reach.',
  twoOnEngine:
    'uses the video engine from a guest while another uses it too: a guest gets the engine ' +
    'whole, so only one of them has it.',
  portText: 'has ports that are no numbers from 1 to 65535.',
} as const
</script>

<template>
  <section class="sheet">
    <p class="sentence">
      {{ sentence }}
    </p>
    <ProposalTable
      label="Kinds of system compared"
      mark="system"
      :columns="columns"
      :rows="rows"
      :key-of="row => row.kind.id"
      :name-of="row => row.kind.label"
      :plan-of="planWith"
      :is-in="row => row.kind.id === chosen"
      :is-out="row => row.rank === null"
    >
      <template #kind="{ row }">
        <div class="kind">
          {{ row.rank === null ? '' : `${row.rank}. ` }}{{ row.kind.label }}
          <small class="soft">{{
            row.refusals.length
              ? `Struck out, because ${row.refusals.map(refusalReason).join(' and ')}.`
              : row.kind.what
          }}</small>
        </div>
      </template>
      <template #skill="{ row }"> {{ row.kind.skill }} of 5 </template>
      <template #upkeep="{ row }"> {{ quantity(row.hoursPerYear, 'h') }} a year </template>
      <template #watts="{ row }">
        {{ row.kind.idleW > 0 ? `+${quantity(row.kind.idleW, 'W')}` : '–' }}
      </template>
      <template #licence="{ row }">
        <div class="licence">
          {{ row.money > 0 ? money(row.money) : 'free'
          }}<small v-if="row.kind.licence.counts" class="soft">
            Counts {{ row.kind.licence.counts }}: {{ stepsText(row.kind) }}.</small
          >
        </div>
      </template>
      <template #leaving="{ row }">
        {{ row.kind.leaving === 'free' ? 'free to change' : 'means emptying the pool' }}
      </template>
      <template #help="{ row }">
        {{ row.kind.help }}
      </template>
    </ProposalTable>
    <div class="fields">
      <PlanField path="system.kind" :items="kindItems" />
      <PlanField path="system.skillAtMost" placeholder="any" />
      <PlanField path="system.wantsContainers" />
      <PlanField path="system.wantsGuests" />
      <PlanField path="system.wantsSnapshots" />
      <PlanField path="system.wantsReadable" />
      <PlanField path="system.growsByOne" />
    </div>
  </section>
  <div class="columns">
    <section class="sheet">
      <h2>
        {{
          services.length === 0
            ? 'Nothing runs beside the media software'
            : `${number(services.length)} services: ${quantity(sums.memoryGB, 'GB')} of memory${sums.load > 0 ? `, ${number(sums.load, 3)} reference streams kept busy` : ''}`
        }}
      </h2>
      <PickList
        :id="fieldElementId('system.services')"
        v-model:picked="picked"
        :entries="services"
        path="system.services"
        add="Add a service"
        :full="services.length >= maxServices"
        :name="(service, index) => service.name || `Service ${index + 1}`"
        @add="store.edit('system.services', [...services, {}])"
        @remove="
          index =>
            store.edit(
              'system.services',
              services.filter((_, other) => other !== index),
            )
        "
      >
        <template #line="{ entry, index }">
          <span class="line"
            ><strong>{{ entry.name || `Service ${index + 1}` }}</strong
            ><span class="soft"
              >{{
                entry.on === 'host'
                  ? 'on the host'
                  : entry.on === 'guest'
                    ? 'in a guest'
                    : 'in a container'
              }}, {{ reach[entry.reach] }}{{ entry.forWhom ? `, for ${entry.forWhom}` : '' }}</span
            ><span class="number soft">{{ quantity(serviceMemoryGB(entry), 'GB') }}</span></span
          >
        </template>
        <template #default="{ index }">
          <PlanField :path="`system.services.${index}.name`" />
          <PlanField :path="`system.services.${index}.forWhom`" />
          <PlanField :path="`system.services.${index}.on`" />
          <PlanField :path="`system.services.${index}.memoryGB`" />
          <PlanField :path="`system.services.${index}.load`" />
          <PlanField :path="`system.services.${index}.dataGB`" />
          <PlanField v-if="services[index]?.dataGB" :path="`system.services.${index}.pool`" />
          <PlanField :path="`system.services.${index}.ports`" />
          <PlanField :path="`system.services.${index}.pricePerYear`" />
          <PlanField :path="`system.services.${index}.reach`" />
          <PlanField :path="`system.services.${index}.loss`" />
          <PlanField :path="`system.services.${index}.usesEngine`" />
        </template>
      </PickList>
      <p v-for="clash in sums.clashes" :key="clash.port" class="problem">
        <strong>Port {{ clash.port }} is taken twice</strong>, by
        {{ clash.services.join(' and ') }}. Give one another port, or a guest with an address of its
        own.
      </p>
      <p
        v-for="warning in sums.warnings"
        :key="`${warning.code} ${warning.service}`"
        class="problem"
      >
        <strong>{{ warning.service }}</strong> {{ warnings[warning.code] }}
      </p>
      <p v-if="sums.groups.length > 1">
        Containers that may stand together, because their reach and possible loss are equal:
        {{ sums.groups.map(({ services: names }) => names.join(', ')).join('; ') }}.
      </p>
    </section>
    <section class="sheet">
      <h2>Kinds of system of your own</h2>
      <PickList
        :id="fieldElementId('system.ownKinds')"
        v-model:picked="pickedKind"
        :entries="ownKinds"
        path="system.ownKinds"
        add="Add a kind of system"
        :full="ownKinds.length >= maxOwnSystems"
        :name="kind => kind.label || kind.id"
        @add="addKind"
        @remove="
          index =>
            store.edit(
              'system.ownKinds',
              ownKinds.filter((_, other) => other !== index),
            )
        "
      >
        <template #line="{ entry }">
          <span class="line"
            ><strong>{{ entry.label || entry.id }}</strong
            ><span class="soft">skill {{ entry.skill }} of 5</span
            ><span class="number soft"
              >{{ quantity(entry.upkeepHoursPerYear, 'h') }} a year</span
            ></span
          >
        </template>
        <template #default="{ index }">
          <PlanField
            v-for="field in kindFields"
            :key="field"
            :path="`system.ownKinds.${index}.${field}`"
          />
        </template>
      </PickList>
    </section>
    <section class="sheet">
      <h2>How files are reached</h2>
      <p>
        {{
          protocols.media
            ? 'Televisions, sticks and phones use the media software, because people choose by pictures.'
            : 'Nobody chooses by pictures, so media software is not needed.'
        }}
      </p>
      <p>
        {{
          protocols.shares === 'smb'
            ? 'Folders and backups are reached by SMB, which every desktop of a mixed house speaks. Among Unix machines only, NFS or SSHFS do.'
            : 'Nobody opens plain folders, so no share has to be set up for watching.'
        }}
      </p>
      <p v-if="protocols.backups.length">
        A share each, with an account of its own that reaches nothing else:
        {{ protocols.backups.join(', ') }}. A computer that is taken over then takes no other along.
      </p>
      <p class="soft small">
        Change every default password. Let nothing that is reached from away write to irreplaceable
        folders, and keep guest shares read-only. Updates: by hand for the system, by themselves for
        security.
      </p>
    </section>
  </div>
</template>

<style scoped>
.sentence {
  font-size: 1.02rem;
  margin-bottom: 12px;
}
.kind {
  min-width: 220px;
}
.licence {
  min-width: 190px;
}
.licence small,
.kind small {
  display: block;
  font-weight: 400;
}
.fields {
  --least: 190px;
}
.columns {
  margin-top: 16px;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr) auto;
  gap: 2px 14px;
}
.problem {
  border-left: 4px solid rgb(var(--v-theme-state-impossible));
  padding: 4px 10px;
  margin: 8px 0;
}
p + p {
  margin-top: 8px;
}
</style>
