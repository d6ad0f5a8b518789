<template>
  <!-- Six tenths of the light, all of it red: weights of ITU-R BT.601. -->
  <svg width="0" height="0" class="ember-filter" aria-hidden="true">
    <filter id="ember-only-red" color-interpolation-filters="sRGB">
      <feColorMatrix type="matrix" values="0.18 0.35 0.07 0 0  0.03 0.06 0.01 0 0  0 0 0 0 0  0 0 0 1 0" />
    </filter>
  </svg>
</template>

<style scoped>
.ember-filter {
  position: absolute;
}
</style>
