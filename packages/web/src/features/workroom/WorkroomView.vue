<script setup lang="ts">
import { computed, defineAsyncComponent, watch } from "vue";
import { RouterLink } from "vue-router";
import { useDrafts } from "../../stores/drafts.js";
import { usePeople } from "../../stores/people.js";
import { useSession } from "../../stores/session.js";
import { draftPicturePath } from "../../api/pictures.js";
import CardPicture from "../../ui/CardPicture.vue";
import LinkButton from "../../ui/LinkButton.vue";
import LoadState from "../../ui/LoadState.vue";
import { sayDay, sayMoment } from "../../ui/times.js";
import { useLoad } from "../../ui/use-load.js";
import { useRest } from "../../ui/use-rest.js";
import { factsText } from "./facts-text.js";
import DraftCard from "./DraftCard.vue";
import { useDraftFacts } from "./use-draft-facts.js";
import { useFirstTour } from "./use-first-tour.js";

const drafts = useDrafts();
const people = usePeople();
const session = useSession();
const { ready, why, again } = useLoad(() => Promise.all([drafts.load(), people.load()]));
const { facts, ask } = useDraftFacts();
const late = useRest();
// What is drawn first does not wait for the classes.
const ClassAsks = defineAsyncComponent(() => import("./ClassAsks.vue"));
// The way round is for who comes the first time.
const FirstTour = defineAsyncComponent(() => import("./FirstTour.vue"));
const { touring, endTour } = useFirstTour(() => ready.value && drafts.drafts.length === 0 && people.people.length === 0);

/** Drawn on their cards; older ones tell their name and their date. */
const MOST_DRAWN = 24;
const last = computed(() => drafts.drafts[0]);
const rest = computed(() => drafts.drafts.slice(1));
const first = computed(() => session.account?.name.split(" ")[0] ?? "");
const lastFacts = computed(() => facts.value.get(last.value?.id ?? ""));
watch([ready, () => drafts.drafts.map((d) => d.id).join()], ([now]) => {
  const unknown = drafts.drafts.slice(0, MOST_DRAWN).filter((d) => !facts.value.has(d.id));
  if (now && unknown.length > 0) void ask(unknown);
});
</script>

<template>
  <div class="page">
    <h1>Good to see you, {{ first }}</h1>
    <LoadState v-if="!ready" what="your work" :why="why" @again="again" />
    <template v-else>
      <section v-if="last" class="go-on card">
        <RouterLink class="picture" :to="{ name: 'draft', params: { id: last.id } }" tabindex="-1" aria-hidden="true">
          <CardPicture :src="draftPicturePath(last)" />
        </RouterLink>
        <div>
          <p class="quiet">Go on where you stopped</p>
          <h2>{{ last.name }}</h2>
          <p class="small">
            {{ last.systemTitle }}<template v-if="last.personName"> · for {{ last.personName }}</template> · saved
            {{ sayMoment(last.updatedAt) }}
          </p>
          <p v-if="lastFacts" class="small">{{ factsText(last, lastFacts) }}</p>
        </div>
        <LinkButton type="primary" :to="{ name: 'draft', params: { id: last.id } }">Go on</LinkButton>
      </section>
      <section v-else class="go-on card">
        <div>
          <h2>Your table is clear</h2>
          <p>Take a system from the shelf, choose whose body it is for, and the draft draws itself point by point.</p>
        </div>
        <LinkButton type="primary" :to="{ name: 'shelf' }">To the shelf</LinkButton>
      </section>

      <ClassAsks v-if="late" />

      <div class="halves">
        <section>
          <h2>Kept drafts</h2>
          <p v-if="rest.length === 0" class="quiet">Every draft you make is kept here by itself: there is nothing to save.</p>
          <ul v-else class="plain">
            <li v-for="draft in rest" :key="draft.id"><DraftCard :draft="draft" :facts="facts.get(draft.id)" /></li>
          </ul>
          <p v-if="last" class="more">
            <LinkButton :to="{ name: 'shelf' }">Start another</LinkButton>
            <LinkButton text :to="{ name: 'progress' }">At the table so far</LinkButton>
          </p>
        </section>
        <section>
          <h2>My bodies</h2>
          <p v-if="people.people.length === 0" class="quiet">
            Measure yourself, or someone you draft for: a drafting system asks for five to fifteen figures, and each is shown on the figure.
            <RouterLink :to="{ name: 'bodies' }">Begin</RouterLink>
          </p>
          <ul v-else class="plain">
            <li v-for="person in people.people" :key="person.id">
              <RouterLink class="row" :to="{ name: 'bodies', params: { personId: person.id } }">
                <b>{{ person.name }}</b>
                <span class="quiet small">{{ person.sets[0] ? `measured ${sayDay(person.sets[0].takenOn)}` : "not measured yet" }}</span>
              </RouterLink>
            </li>
          </ul>
        </section>
      </div>
      <p class="caution small">
        Shears, rotary cutters, pins and irons: cut away from the hand, cap blades, close shears, unplug irons. Make a toile before you cut
        good cloth.
      </p>
      <FirstTour v-if="touring" @close="endTour" />
    </template>
  </div>
</template>

<style scoped>
h1 {
  font-size: 32px;
  margin-bottom: 20px;
}
h2 {
  font-size: 22px;
}
.go-on {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 20px;
  padding: 24px 28px;
}
.go-on > div {
  flex: 1;
}
.go-on .picture {
  flex: none;
  width: 150px;
  height: 130px;
  margin: -24px 0 -24px -28px;
  padding: 12px;
  box-sizing: content-box;
  background: #fbf8f0;
  border-radius: var(--radius) 0 0 var(--radius);
}
.go-on h2 {
  font-size: 27px;
  margin: 4px 0;
}
.halves {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 36px;
  margin-top: 32px;
}
.halves h2 {
  margin-bottom: 12px;
}
.plain {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 14px;
  padding: 12px 16px;
  border-radius: var(--radius);
  background: var(--panel);
  color: var(--ink);
  text-decoration: none;
}
.more {
  margin-top: 14px;
}
.caution {
  margin-top: 44px;
  color: var(--ink-2);
}
@media (width < 800px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
  .go-on .picture {
    display: none;
  }
}
</style>
