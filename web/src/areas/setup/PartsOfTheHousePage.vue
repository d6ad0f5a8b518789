<script setup lang="ts">
import { ElMessage, ElMessageBox } from 'element-plus'
import { ref } from 'vue'
import DayPicker from '../../shared/controls/DayPicker.vue'
import FigureInput from '../../shared/controls/FigureInput.vue'
import KeyButton from '../../shared/controls/KeyButton.vue'
import { useScheme } from '../../shared/use-scheme.ts'
import { setupWords } from './words.ts'

const t = setupWords('partsOfTheHousePage')

/** Every control of the staff's interface in every state, to be looked at in each scheme. Only where the screens are made. */
const { scheme } = useScheme()
const text = ref(t('eyepieceMm'))
const figure = ref<number | null>(12.5)
const day = ref<string | null>('2026-12-13')
const hour = ref('17:00')
const chosen = ref('bench')
const ticked = ref(true)
const tab = ref('one')
const opens = ref(false)
const slides = ref(false)
const lines = [
  { part: t('frontCap'), count: 1, mass: '86 g' },
  { part: t('eyepieceEndCaps'), count: 4, mass: '4 g' },
]
const places = ['shelf', 'bench', 'desk'] as const
</script>

<template>
  <main class="page">
    <h1>{{ t('partsOfTheHouse') }}</h1>
    <ElRadioGroup v-model="scheme" :aria-label="t('scheme')">
      <ElRadioButton value="paper">{{ t('paper') }}</ElRadioButton>
      <ElRadioButton value="ember">{{ t('ember') }}</ElRadioButton>
    </ElRadioGroup>

    <h2 class="mt-26px">{{ t('buttons') }}</h2>
    <p class="row flex flex-wrap gap-12px items-center">
      <ElButton>{{ t('lookAgain') }}</ElButton>
      <ElButton type="primary">{{ t('makeTheLink') }}</ElButton>
      <ElButton disabled>{{ t('notNow') }}</ElButton>
      <ElButton type="primary" disabled>{{ t('notNow') }}</ElButton>
      <ElButton size="small">{{ t('found') }}</ElButton>
      <ElButton size="large">{{ t('putRightLookAgain') }}</ElButton>
      <KeyButton hint="Enter" main>{{ t('nextStation') }}</KeyButton>
      <KeyButton hint="u">{{ t('undo') }}</KeyButton>
      <span
        >{{ t('aSentenceWith') }} <ElButton link>{{ t('aWayOn') }}</ElButton> {{ t('inIt') }}</span
      >
    </p>

    <h2 class="mt-26px">{{ t('fields') }}</h2>
    <div class="grid grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-y-12px gap-x-18px items-end">
      <label class="labelled"
        ><span>{{ t('text') }}</span
        ><ElInput v-model="text"
      /></label>
      <label class="labelled"
        ><span>{{ t('nothingYet') }}</span
        ><ElInput :placeholder="t('whatWasDone')"
      /></label>
      <label class="labelled"
        ><span>{{ t('notToBeChanged') }}</span
        ><ElInput v-model="text" disabled
      /></label>
      <label class="labelled"
        ><span>{{ t('figure') }}</span
        ><FigureInput v-model="figure" :label="t('figure')" unit="mm"
      /></label>
      <label class="labelled"
        ><span>{{ t('day') }}</span
        ><DayPicker v-model="day" :aria-label="t('day')" clearable
      /></label>
      <label class="labelled"
        ><span>{{ t('hour') }}</span
        ><ElTimeSelect v-model="hour" start="09:00" step="00:30" end="21:00"
      /></label>
      <label class="labelled"
        ><span>{{ t('oneOfMany') }}</span
        ><ElSelect v-model="chosen" :aria-label="t('place')"
          ><ElOption v-for="place in places" :key="place" :value="place" :label="place" /></ElSelect
      ></label>
      <label class="labelled"
        ><span>{{ t('longerWords') }}</span
        ><ElInput v-model="text" type="textarea" :rows="3"
      /></label>
    </div>

    <h2 class="mt-26px">{{ t('choices') }}</h2>
    <p class="row flex flex-wrap gap-12px items-center">
      <ElCheckbox v-model="ticked">{{ t('noneMayBeLentUntil') }}</ElCheckbox>
      <ElCheckbox :model-value="false" disabled>{{ t('notHere') }}</ElCheckbox>
      <ElSwitch v-model="ticked" :aria-label="t('on')" />
      <ElRadioGroup v-model="chosen" :aria-label="t('place')">
        <ElRadio v-for="place in places" :key="place" :value="place">{{ place }}</ElRadio>
      </ElRadioGroup>
      <ElRadioGroup v-model="chosen" :aria-label="t('placeAsARow')">
        <ElRadioButton v-for="place in places" :key="place" :value="place">{{ place }}</ElRadioButton>
      </ElRadioGroup>
    </p>

    <h2 class="mt-26px">{{ t('tablesTabsSteps') }}</h2>
    <ElTable :data="lines">
      <ElTableColumn prop="part" :label="t('part')" />
      <ElTableColumn prop="count" :label="t('count')" width="120" align="right" />
      <ElTableColumn prop="mass" :label="t('oneWeighs')" width="160" align="right" />
    </ElTable>
    <ElTabs v-model="tab">
      <ElTabPane :label="t('outAndBack')" name="one">{{ t('fourKitsAreOut') }}</ElTabPane>
      <ElTabPane :label="t('letters')" name="two">{{ t('noneWaits') }}</ElTabPane>
    </ElTabs>
    <ElSteps :active="1" finish-status="success">
      <ElStep :title="t('glass')" />
      <ElStep :title="t('assembly')" />
      <ElStep :title="t('balance')" />
    </ElSteps>

    <h2 class="mt-26px">{{ t('whatIsSaid') }}</h2>
    <p class="row flex flex-wrap gap-12px items-center">
      <ElButton @click="ElMessage({ message: t('markedAsMissing'), type: 'info' })">{{ t('aMessage') }}</ElButton>
      <ElButton @click="void ElMessageBox.confirm(t('handAPromisedKitTo')).catch(() => undefined)">{{
        t('aQuestion')
      }}</ElButton>
      <ElButton @click="opens = true">{{ t('aDialog') }}</ElButton>
      <ElButton @click="slides = true">{{ t('aDrawer') }}</ElButton>
      <ElTooltip :content="t('theLineThatLightTakes')"
        ><span class="[border-bottom:2px_dotted_var(--night)]">{{ t('opticalAxis') }}</span></ElTooltip
      >
      <ElTag>{{ t('shared') }}</ElTag>
    </p>
    <ElAlert :title="t('theKitWasChangedMeanwhile')" type="warning" :closable="false" />
    <ElProgress :percentage="62" />
    <ElEmpty :description="t('noKitWaitsAtThe')" :image-size="60" />
    <ElPagination layout="prev, pager, next" :total="60" />
    <ElDialog v-model="opens" :title="t('aDialog')">{{ t('whatIsAskedStandsHere') }}</ElDialog>
    <ElDrawer v-model="slides" :title="t('aDrawer')">{{ t('whatIsShownBesidesStands') }}</ElDrawer>
  </main>
</template>
