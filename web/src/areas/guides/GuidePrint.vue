<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { dateText } from '@binoculum/core'
import SunSign from '../../shared/drawings/SunSign.vue'
import SerifText from '../../shared/SerifText.vue'
import HelpSheetView from './HelpSheetView.vue'
import GuideStepView from './GuideStepView.vue'
import PowerTable from './PowerTable.vue'

/** The whole guide in one run, for paper and for the coordinator's look at it. */
defineProps<{ guide: IssuedGuide }>()
</script>

<template>
  <article class="guide-print">
    <header>
      <h1>{{ guide.kitName }}</h1>
      <p>{{ guide.modelName }} · {{ guide.kitCode }}</p>
      <p class="right">
        {{ guide.branchName }} · issued {{ dateText(guide.issuedOn) }}, back {{ dateText(guide.dueOn) }}
      </p>
    </header>
    <section class="sun">
      <SunSign :size="54" />
      <div>
        <p v-for="(line, index) in guide.sun" :key="index" :class="{ first: index === 0 }">{{ line }}</p>
      </div>
    </section>
    <ul>
      <li v-for="line in guide.safety" :key="line">{{ line }}</li>
    </ul>
    <h2>What is in the case</h2>
    <p v-for="note in guide.notes" :key="note">
      <strong>{{ note }}</strong>
    </p>
    <dl>
      <template v-for="place in guide.contents" :key="place.place">
        <dt>{{ place.place }}</dt>
        <dd>{{ place.parts.join(' · ') }}</dd>
      </template>
    </dl>
    <h2>Where to stand it</h2>
    <ul>
      <li v-for="line in guide.place" :key="line">{{ line }}</li>
    </ul>
    <h2><SerifText :text="`Set it up: ${guide.setUp.length} steps`" /></h2>
    <section v-for="(step, index) in guide.setUp" :key="step.title" class="step">
      <h3><SerifText :text="`${index + 1} · ${step.title}`" /></h3>
      <GuideStepView :step="step" />
    </section>
    <h2>Your first look</h2>
    <ul>
      <li v-for="line in [...guide.firstLook, ...guide.expect]" :key="line">{{ line }}</li>
    </ul>
    <h2>Which eyepiece</h2>
    <PowerTable :powers="guide.powers" />
    <h2>It doesn’t work</h2>
    <section v-for="sign in guide.trouble" :key="sign.sign" class="step">
      <h3>{{ sign.sign }}</h3>
      <p>{{ sign.tries.join(' ') }}</p>
    </section>
    <p v-for="line in guide.collimation" :key="line">{{ line }}</p>
    <section v-if="guide.helpSheet" class="own-page">
      <h2>Line up the mirror, only if you want to</h2>
      <HelpSheetView :sheet="guide.helpSheet" />
    </section>
    <h2>Put it away</h2>
    <section v-for="(step, index) in guide.putAway" :key="step.title" class="step">
      <h3><SerifText :text="`${index + 1} · ${step.title}`" /></h3>
      <GuideStepView :step="step" />
    </section>
    <footer><strong>Doesn’t fit? Stop and tell us.</strong> Never force, never wipe.</footer>
  </article>
</template>

<style scoped>
.guide-print {
  max-width: 760px;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
  padding-bottom: 6px;
  border-bottom: 3px solid currentcolor;
}

.right {
  margin-left: auto;
}

.sun {
  display: flex;
  gap: 16px;
  align-items: center;
  margin: 14px 0;
  padding: 12px 16px;
  border: 3px solid currentcolor;
}

.first {
  font-size: 19px;
  font-weight: 640;
  line-height: 26px;
}

h2 {
  margin: 20px 0 8px;
  border-bottom: 1px solid currentcolor;
}

.own-page {
  break-inside: avoid;
}

.step {
  padding: 4px 0 10px;
  break-inside: avoid;
}

ul {
  margin: 0;
  padding-left: 20px;
}

dl {
  display: grid;
  grid-template-columns: 120px 1fr;
  gap: 4px 12px;
  margin: 0;
}

dt {
  font: italic 400 16px var(--serif);
}

dd {
  margin: 0;
}

footer {
  margin-top: 24px;
  padding-top: 8px;
  border-top: 2px solid currentcolor;
}
</style>
