<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { collimationQuality, mmText, peepholeTubeOf, turnFraction } from '@binoculum/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import CellDrawing from '../bench/collimation/CellDrawing.vue'
import PeepholePicture from '../bench/collimation/PeepholePicture.vue'

/** One printed page for borrowers who may line their kit up themselves, drawn from that kit's own mirrors and screws. */
const route = useRoute()
const code = String(route.params.code)
const { data: kit, problem, reload } = useLoaded<KitSheet>(`/api/kits/${encodeURIComponent(code)}`)
const tube = computed(() => (kit.value?.mirror ? peepholeTubeOf(kit.value.mirror, kit.value.optics) : null))
const quality = computed(() =>
  kit.value
    ? collimationQuality({
        apertureMm: kit.value.optics.apertureMm,
        focalLengthMm: kit.value.optics.primaryFocalLengthMm,
        axisErrorMm: 0,
      })
    : null,
)
/** Offset on the mirror that stands for the limit. */
const limitOffsetMm = computed(() => {
  const { optics } = kit.value ?? {}
  if (!optics || !quality.value) return 0
  const k = optics.peepholeOutsideFocusMm / optics.primaryFocalLengthMm
  return (quality.value.limitMm * 2 * (1 + k)) / (1 - k)
})
/** A picture of a telescope that is off, so that the steps have something to show: twice the limit, to the upper right. */
const off = computed(() => ({
  axisErrorMm: { x: (quality.value?.limitMm ?? 1) * 1.4, y: (quality.value?.limitMm ?? 1) * 1.4 },
  secondaryErrorMm: { x: 0, y: 0 },
}))
const square = { axisErrorMm: { x: 0, y: 0 }, secondaryErrorMm: { x: 0, y: 0 } }
const moves = computed(() =>
  kit.value?.mirror?.cell?.clockwise === 'towards-sky' ? 'towards the sky' : 'away from the sky',
)
/** How far an eighth of a turn of one screw moves the mark in the view, mm on the primary. */
const eighthMm = computed(() => {
  const cell = kit.value?.mirror?.cell
  const { optics } = kit.value ?? {}
  return cell && optics ? (2 * 2 * optics.primaryFocalLengthMm * cell.pitchMm) / (3 * cell.circleRadiusMm) / 8 : 0
})
const printPage = () => window.print()
</script>

<template>
  <main class="page">
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="kit">
      <p class="screen-only row">
        <button type="button" class="button main" :disabled="!tube" @click="printPage">Print the help sheet</button>
        <RouterLink :to="`/kits/${kit.code}`">back to {{ kit.name }}</RouterLink>
        <span v-if="kit.policies.collimation === 'leave-it-to-us'" class="quiet"
          >The policy of this kit is <em>leave it to us</em>: its borrowers don’t get this sheet.</span
        >
      </p>
      <p v-if="!tube" class="problem">
        This model’s mirrors and screws aren’t measured yet. Set-up, Models, Mirrors and cell: then the sheet draws
        itself.
      </p>
      <article v-else class="sheet">
        <h1>Lining up {{ kit.name }}</h1>
        <p>
          {{ kit.modelName }}. Wanted only when stars look like little comets at high power. In doubt leave it, and
          tell us: nobody minds.
        </p>
        <p class="caution">
          Never towards the Sun. Point the tube at a lit wall, or at shaded sky on the side away from the Sun; stand
          where your own shadow points the same way. Never undo a screw completely. Don’t touch the mirror.
        </p>
        <div class="pictures">
          <figure>
            <PeepholePicture :tube="tube" :alignment="off" :screws="kit.mirror?.cell?.screws ?? []" />
            <figcaption>off: the mark lies beside the hole</figcaption>
          </figure>
          <figure>
            <PeepholePicture :tube="tube" :alignment="square" :screws="kit.mirror?.cell?.screws ?? []" />
            <figcaption>right: the hole sits in the mark’s middle</figcaption>
          </figure>
          <figure v-if="kit.mirror?.cell">
            <CellDrawing :screws="kit.mirror.cell.screws" :locks="kit.mirror.cell.locks" />
            <figcaption>the back of the tube, focuser’s side up</figcaption>
          </figure>
        </div>
        <ol>
          <li>
            Put the cap with the small hole into the focuser, its light side in. Look through the hole, the tube’s
            open end up in your view: hold a hand there to be sure.
          </li>
          <li>
            See the whole mirror with its {{ kit.mirror?.clips }} clips in the small mirror? If not, stop: that is for
            us.
          </li>
          <li v-if="kit.mirror?.mark">
            Find the ring in the mirror’s middle, and the dark hole. The hole belongs in the ring’s middle.
          </li>
          <li>
            Which screw stands nearest to the side where the <b>ring</b> lies from the hole? At the back of the tube,
            focuser’s side up, it stands at the same place. That side must go <b>towards the sky</b>.
          </li>
          <li v-if="kit.mirror?.cell">
            <template v-if="kit.mirror.cell.locks">Loosen the small locks a little. </template>From behind, clockwise
            moves the mirror <b>{{ moves }}</b> on this telescope. Turn {{ turnFraction(0.125) }} of a turn, look: the
            ring goes about {{ mmText(eighthMm) }} on the mirror. Small turns, one screw at a time.
          </li>
          <li v-if="kit.mirror?.cell?.locks">Tighten the locks evenly, and look again: locking shifts it.</li>
          <li>
            Good enough when the hole’s middle lies no more than {{ mmText(limitOffsetMm) }} from the ring’s
            middle<template v-if="kit.mirror?.mark"
              >; the ring is {{ mmText(kit.mirror.mark.outerDiameterMm) }} across</template
            >.
          </li>
        </ol>
        <p>It got worse? Stop, and bring it back as it is. Lining it up takes us ten minutes.</p>
      </article>
    </template>
  </main>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: center;
  margin-bottom: 16px;
}

.sheet {
  max-width: 780px;
  font-size: 16px;
  line-height: 23px;
}

.caution {
  margin: 12px 0;
  padding: 8px 12px;
  border: 2px solid var(--ink);
}

.pictures {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 16px;
  margin: 12px 0;
}

figure {
  margin: 0;
}

figcaption {
  font: italic 400 16px var(--serif);
}

li {
  margin-bottom: 6px;
}

@media print {
  .screen-only {
    display: none;
  }
}
</style>
