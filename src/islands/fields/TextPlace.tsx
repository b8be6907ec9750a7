import { ChoiceField, FlagField, LengthField } from './choices';

const PLACES = [
  ['above', 'above the courtyard'],
  ['below', 'below the courtyard'],
  ['left', 'left of the courtyard'],
  ['right', 'right of the courtyard'],
  ['centre', 'middle of the body'],
  ['point', 'at a point'],
] as const;

const TURNS = [0, 90, 180, 270].map((angle) => [angle, `${angle}°`] as const);

/** What stands for a choice that the footprint of a placed part has made. */
const INHERITED = [['', 'as its footprint']] as const;

interface TextPlaceProps {
  /** Place of the text's choices in the document. */
  at: string;
  /** Whose text it is, for who hears the fields only. */
  words?: string;
  /** Whether it stands at a point of its own. */
  isAtPoint: boolean;
  /** Where it stands by itself; missing where a footprint says so. */
  usual?: 'above' | 'below';
  /** Whether it is printed where nothing is chosen. */
  usuallyShown: boolean;
  /** Height where nothing is chosen, and who says so. */
  height: string;
  heightBy: string;
}

/** Whether a text is printed, where it stands, how large it is and how it is turned. */
export function TextPlace(props: TextPlaceProps) {
  const { at, words, isAtPoint, usual, usuallyShown, height, heightBy } = props;
  const called = (what: string) => (words === undefined ? {} : { words: `${what} of the ${words}` });
  return (
    <>
      <FlagField name={`${at}/shown`} usual={usuallyShown} />
      <ChoiceField
        name={`${at}/place`}
        usual={usual ?? ''}
        options={usual ? PLACES : [...INHERITED, ...PLACES]}
        {...called('place')}
      />
      {isAtPoint && (
        <>
          <LengthField name={`${at}/x`} computed="0" {...called('x')} />
          <LengthField name={`${at}/y`} computed="0" {...called('y')} />
        </>
      )}
      <LengthField name={`${at}/height`} computed={height} note={heightBy} {...called('height')} />
      <ChoiceField
        name={`${at}/rotation`}
        usual={usual ? 0 : ''}
        options={usual ? TURNS : [...INHERITED, ...TURNS]}
        {...called('turn')}
      />
    </>
  );
}
