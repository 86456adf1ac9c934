<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import dayjs from 'dayjs';
import { NButton } from 'naive-ui';
import { logRefusal, signVerdict, SIGNS, SIGN_IDS, withJarThrown, withLogged, type Sign } from '@roskel/core';
import { today } from '../format';
import { useNotices } from '../stores/notices';
import { useToday } from '../stores/today';
import PhotoField from '../batch/PhotoField.vue';
import JarPick from '../stations/JarPick.vue';
import SheetCard from '../ui/SheetCard.vue';
import TextField from '../ui/TextField.vue';
import TickField from '../ui/TickField.vue';
import SignPicture from './SignPicture.vue';

/** Look and smell: what is there, then what to do and why. It ends in keep, act or throw away, and the batch keeps it. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{
  batchId: string;
  stationId: string;
  name: string;
  /** The jars that stand there, and the one that is looked at first; 0: all. */
  jars: readonly number[];
  jar?: number;
}>();
const emit = defineEmits<{ done: [] }>();
const todays = useToday();
const notices = useNotices();
const chosen = ref<readonly Sign[]>([]);
const note = ref('');
const photo = ref<string | null>(null);
const busy = ref(false);
const sure = ref(false);
/** Of several it is said which; a sheet that is opened of one jar is of that one. */
const first = () => props.jar || (props.jars.length > 1 ? null : 0);
const which = ref<number | null>(first());
/** Of several jars one is thrown away, or all: never by a slip. */
const unsaid = computed(() => props.jars.length > 1 && which.value === null);
const who = computed(() => (which.value && props.jars.length > 1 ? `${props.name}, jar ${which.value}` : props.name));
watch(show, (open) => {
  if (!open) return;
  chosen.value = [];
  note.value = '';
  photo.value = null;
  sure.value = false;
  which.value = first();
});
/** Nothing odd, and everything else, rule each other out. */
function pick(s: Sign, on: boolean) {
  const rest = chosen.value.filter((c) => c !== s && (s === 'clean' ? false : c !== 'clean'));
  chosen.value = on ? [...rest, s] : chosen.value.filter((c) => c !== s);
}
const verdict = computed(() => signVerdict(chosen.value));
const WORDS = { keep: 'Keep it', act: 'Do something', discard: 'Throw it away' } as const;

async function keep(thrown: boolean) {
  busy.value = true;
  try {
    const at = dayjs().toISOString();
    const reading = {
      id: `l${Date.now().toString(36)}`,
      ...{ stationId: props.stationId, at, instrument: 'strip' as const, signs: [...chosen.value] },
      ...(which.value ? { jar: which.value } : {}),
      ...(photo.value ? { photo: photo.value } : {}),
      ...(note.value.trim() ? { note: note.value.trim() } : {}),
    };
    const day = today();
    // As it is called now: with one jar less there may be none to tell apart.
    const name = who.value;
    const why = verdict.value ? SIGNS[verdict.value.sign].says : '';
    const bin = { doneOn: day, thrownOn: day, thrownWhy: why };
    const one = (which.value ?? 0) > 0 && props.jars.length > 1;
    // One act, one undo: what was seen, and that it went. Where it cannot be thrown away yet, what was seen is kept all the same.
    let cannot = '';
    await todays.change(props.batchId, `${name}: ${thrown ? 'thrown away' : 'looked at'}`, (f) => {
      const looked = { ...f, readings: [...f.readings, reading] };
      if (thrown && one) return withJarThrown(looked, props.stationId, { jar: which.value!, on: day, why });
      cannot = (thrown && logRefusal(looked, props.stationId, bin, day)?.message) || '';
      return thrown && !cannot ? withLogged(looked, props.stationId, bin) : looked;
    });
    if (cannot) throw new Error(cannot);
    emit('done');
    show.value = false;
    if (thrown && one) notices.say(`${name} is thrown away. The others stand on, and less goes in later.`);
    else if (thrown) notices.say(`${props.name} is thrown away. What was still to go in is free again.`);
  } catch (e) {
    notices.fail(e);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <SheetCard v-model:show="show" :title="`Look and smell: ${name}`" :width="720">
    <JarPick v-model="which" :jars="jars" label="Which of them" />
    <p class="soft">Open it, look at the surface and the glass, smell. Tick all that is there.</p>
    <div class="signs">
      <TickField
        v-for="s in SIGN_IDS"
        :key="s"
        :label="SIGNS[s].says"
        :model-value="chosen.includes(s)"
        @update:model-value="pick(s, $event)"
      >
        <span class="sign"><SignPicture :sign="s" />{{ SIGNS[s].says }}</span>
      </TickField>
    </div>
    <section v-if="verdict" class="verdict" :class="`is-${verdict.verdict}`" :data-verdict="verdict.verdict" aria-live="polite">
      <h3>{{ WORDS[verdict.verdict] }}</h3>
      <p>
        <b>{{ verdict.act }}</b>
      </p>
      <p class="soft">{{ verdict.why }}</p>
    </section>
    <TextField v-model="note" label="Note" placeholder="what it was like, in your words" :maxlength="400" />
    <PhotoField v-model="photo" :batch-id="batchId" />
    <div class="acts">
      <template v-if="verdict?.verdict === 'discard'">
        <p v-if="unsaid" class="soft">Say above which jar it is, or all of them.</p>
        <TickField v-model="sure" label="It is in the bin, with everything in it" />
        <NButton type="primary" :disabled="!sure || unsaid || busy" @click="keep(true)">Thrown away</NButton>
        <NButton :disabled="unsaid || busy" @click="keep(false)">Only note it; the jar stays condemned</NButton>
      </template>
      <NButton v-else type="primary" :disabled="!verdict || busy" @click="keep(false)">Note it</NButton>
    </div>
  </SheetCard>
</template>

<style scoped>
p {
  margin: 2px 0 6px;
}
.signs {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 16px;
}
.sign {
  display: inline-flex;
  align-items: center;
  gap: 10px;
  line-height: 1.25;
}
.verdict {
  margin: 10px 0;
  padding: 8px 14px;
  border: 2px solid var(--acid);
  border-radius: 12px;
}
.is-act {
  border-color: var(--warn);
  background: var(--warn-plate);
}
.is-discard {
  border-color: var(--heat);
  background: var(--warn-plate);
}
.is-discard h3 {
  color: var(--heat);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 14px;
  margin-top: 12px;
}
@media (max-width: 720px) {
  .signs {
    grid-template-columns: 1fr;
  }
}
</style>
