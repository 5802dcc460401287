<script setup lang="ts">
// The hill the name comes from: strata of rock, and the sun of the hour behind it. Decoration only.
</script>

<template>
  <svg class="hill" viewBox="0 0 700 700" preserveAspectRatio="xMinYMax slice" aria-hidden="true">
    <circle cx="470" cy="300" r="86" class="sun" />
    <path
      class="a"
      d="M0 700 V520 L90 470 150 360 240 300 300 190 390 150 440 220 520 260 560 370 640 420 700 540 V700Z"
    />
    <path
      class="b"
      d="M0 700 V560 L110 520 210 430 300 400 380 300 450 330 520 420 600 470 700 590 V700Z"
    />
    <path
      class="c"
      d="M0 700 V610 L130 580 260 510 370 500 450 440 540 520 640 560 700 630 V700Z"
    />
    <path class="d" d="M0 700 V660 L180 630 330 610 480 570 600 630 700 670 V700Z" />
  </svg>
</template>

<style scoped>
.hill {
  width: 100%;
  height: 100vh;
  display: block;
}
.sun {
  fill: var(--aloe);
  opacity: 0.85;
}
.a {
  fill: color-mix(in srgb, var(--granite) 45%, var(--paper));
}
.b {
  fill: color-mix(in srgb, var(--granite) 62%, var(--paper));
}
.c {
  fill: color-mix(in srgb, var(--granite) 80%, var(--paper));
}
.d {
  fill: color-mix(in srgb, var(--lichen) 55%, var(--granite));
}
@media (max-width: 900px) {
  .hill {
    display: none;
  }
}
</style>
