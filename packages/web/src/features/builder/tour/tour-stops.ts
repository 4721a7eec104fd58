/** A stop of the way round the writing table: what it shows, and the line that going on puts in. */
export interface Stop {
  readonly target: string;
  readonly title: string;
  readonly description: string;
  readonly line?: string;
}

/** From an empty frame to a drawn back neck, in ten stops: going on puts the sentence in, as Enter would. */
export const STOPS: readonly Stop[] = [
  {
    target: "#handout-face",
    title: "1. The handout",
    description: "Every line of the system as students read it. Open one to change it where it stands; the same lines are under Text.",
  },
  {
    target: "#quick-line",
    title: "2. The quick line is the pencil",
    description:
      "Type the next step as you would say it. It is drawn while you type; Enter puts it in. Go on: the next stops write for you.",
  },
  {
    target: "#quick-line",
    title: "3. Ask for a measurement",
    description: "“Neck: 28 to 52, round the base of the neck.” A name, how far it goes, how it is taken.",
    line: "Neck: 28 to 52, round the base of the neck",
  },
  {
    target: "#quick-line",
    title: "4. Work a figure out",
    description: "“Neck width = a fifth of the neck plus 1 cm.” What a rule uses more than once gets a name.",
    line: "Neck width = a fifth of the neck plus 1 cm",
  },
  {
    target: "#quick-line",
    title: "5. Place a point",
    description: "“Square out from 0, the neck width.” It takes the next number by itself.",
    line: "Square out from 0, the neck width",
  },
  {
    target: "#quick-line",
    title: "6. And one below",
    description: "“Down from 0, 2 cm.” Numbers, eighths and names may stand wherever a length is asked for.",
    line: "Down from 0, 2 cm",
  },
  {
    target: "#quick-line",
    title: "7. Draw the back neck",
    description: "A curve goes through its points; said of its end, it arrives square to the centre back.",
    line: 'curve back_neck: #4 > #5, arriving square to #0-#1  "Draw the back neck."',
  },
  {
    target: "#writing-paper",
    title: "8. It is drawn",
    description:
      "Press a point or a line on the paper: what can be drawn from there is offered above it, as a sentence whose gaps you press or type.",
  },
  {
    target: "#tried-on",
    title: "9. On every body",
    description: "[ and ] go through bodies and sizes. Range draws all sizes on each other and names the first that breaks.",
  },
  {
    target: "#publish-it",
    title: "10. Give it to students",
    description: "A published version is never changed: drafts keep the one they began with. ? shows all keys.",
  },
];
