<script setup lang="ts">
/** The swatch of a colour, chosen by a press. A colour of which none is known has none: it is asked for, not made up. */
defineProps<{ label: string; swatch: string | undefined; tabindex?: number }>();
const emit = defineEmits<{ choose: [swatch: string] }>();
const chosen = (event: Event) => emit('choose', (event.target as HTMLInputElement).value.toUpperCase());
</script>

<template>
  <label
    class="swatch"
    :class="{ none: !swatch }"
    :title="swatch ? `${label}: ${swatch}` : `No colour is known for ${label}: choose one`"
  >
    <span v-if="!swatch" aria-hidden="true">?</span>
    <input
      type="color"
      :value="swatch ?? '#FFFFFF'"
      :tabindex="tabindex"
      :aria-label="swatch ? `Swatch of ${label}` : `Swatch of ${label}: none yet`"
      @change="chosen"
    />
    <i :style="{ background: swatch }" />
  </label>
</template>

<style scoped>
.swatch {
  position: relative;
  display: inline-block;
  flex: none;
  width: 22px;
  height: 22px;
  cursor: pointer;
}
.swatch input {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  opacity: 0;
  cursor: pointer;
}
.swatch i {
  position: absolute;
  inset: 2px;
  border: 1px solid #0003;
  pointer-events: none;
}
.swatch span {
  position: absolute;
  inset: 0;
  z-index: 1;
  text-align: center;
  line-height: 22px;
  color: var(--warns);
  pointer-events: none;
}
.swatch.none i {
  border: 1px dashed var(--warns);
}
.swatch:focus-within {
  outline: 2px solid var(--woad);
  outline-offset: 1px;
}
</style>
