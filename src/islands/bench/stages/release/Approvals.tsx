import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useEffect, useState } from 'react';
import { approvedText } from '../../../../core/document/approval';
import { approvalWords, type Standing } from '../../../../core/document/standing';
import type { TapisDocument } from '../../../../core/document/document';
import { readTeam, writeTeam } from '../../../../core/document/read-team';
import { problemWords } from '../../../../core/document/read';
import { jsonText } from '../../../../core/document/write';
import { approve, keyFile, makeKey, openKey, standing, type OwnKey } from '../../../../kernel/sign';
import type { StoredKey } from '../../../../store/database';
import { ownKeyOf } from '../../../../store/keys';
import { download } from '../../../common/download';
import { keys } from '../../../common/shelf-store';
import { attempt } from '../../../common/trouble';
import { useBench } from '../../../state/context';

const NONE: readonly StoredKey[] = [];
/** Fewest letters of a passphrase that seals a key in a file. */
const LEAST = 8;

/** Who stands for the footprint as it is, and one's own approval of it, signed. */
export function Approvals() {
  const document = useBench((s) => s.document);
  const edit = useBench((s) => s.edit);
  const locked = useBench((s) => s.locked);
  const all = useLiveQuery(() => keys.list(), []) ?? NONE;
  const own = ownKeyOf(all);
  const standings = useStandings(document, all);
  const { approvals = [] } = document;
  const isApproved = approvals.some(({ key }, i) => key === own?.key && standings?.[i] === 'holds');
  const approveIt = (key: OwnKey) =>
    attempt('Approving', async () => {
      const one = await approve(key, approvedText(document), new Date().toISOString());
      const others = approvals.filter((other) => other.key !== key.key);
      edit([{ at: '/approvals', value: [...others, one] }], undefined, 'an approval');
    });
  return (
    <section className="mt-4" aria-label="Approvals">
      <h2 className="font-semibold">Approvals</h2>
      {approvals.length === 0 && <p className="text-secondary text-[12px]">Nobody has approved it yet.</p>}
      <ul className="text-[12px]">
        {approvals.map((approval, i) => {
          const is = standings?.[i];
          return (
            <li
              key={approval.signature}
              className={`mt-1 border-l-3 pl-2 ${is === 'holds' ? 'border-primary' : 'border-warning'}`}
            >
              {is ? approvalWords(approval, is) : `${approval.by}, ${approval.at}`}
            </li>
          );
        })}
      </ul>
      {own && locked === null && !isApproved && (
        <button type="button" className="btn btn-sm mt-1" onClick={() => void approveIt(own)}>
          Approve as {own.name}
        </button>
      )}
      <Keys all={all} own={own} />
    </section>
  );
}

/** What each approval of a document is worth now; `null` until that is known. */
function useStandings(document: TapisDocument, team: readonly StoredKey[]): readonly Standing[] | null {
  const [known, setKnown] = useState<{ of: TapisDocument; by: typeof team; all: Standing[] } | null>(null);
  useEffect(() => {
    let left = false;
    const text = approvedText(document);
    void Promise.all((document.approvals ?? []).map((one) => standing(one, text, team))).then(
      (found) => left || setKnown({ of: document, by: team, all: found }),
    );
    return () => {
      left = true;
    };
  }, [document, team]);
  return known?.of === document && known.by === team ? known.all : null;
}

/** One's own key, and those of the team. */
function Keys({ all, own }: { all: readonly StoredKey[]; own: OwnKey | null }) {
  const [said, setSaid] = useState<string | null>(null);
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const bring = useCallback(
    (file: File) =>
      attempt(`Bringing ${file.name}`, async () => setSaid(await brought(await file.text(), passphrase))),
    [passphrase],
  );
  const save = (key: OwnKey) =>
    attempt('Saving the key', async () => {
      const content = jsonText(await keyFile(key, passphrase));
      download({ name: `${key.name} key.json`, mediaType: 'application/json', content });
      setPassphrase('');
      setSaid('The key is saved; without its passphrase the file is of no use.');
    });
  return (
    <details className="mt-1.5" open={own === null && all.length > 0 ? true : undefined}>
      <summary className="link text-[12px]">
        Keys: {own ? `yours is ${own.name}’s` : 'you have none'}, {all.length} known
      </summary>
      {!own && (
        <form
          className="mt-1 flex gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim() === '') return;
            void attempt('Making a key', async () => keys.keep(await makeKey(name.trim())));
          }}
        >
          <input
            className="input input-sm min-w-0 flex-1"
            aria-label="Whose key it is"
            placeholder="Your name, as the team calls you"
            maxLength={80}
            value={name}
            onChange={({ target }) => setName(target.value)}
          />
          <button type="submit" className="btn btn-sm" disabled={name.trim() === ''}>
            Make a key
          </button>
        </form>
      )}
      <label className="mt-1.5 block text-[12px]">
        Passphrase of a key in a file, at least {LEAST} letters
        <input
          type="password"
          className="input input-sm mt-0.5 w-full"
          autoComplete="off"
          value={passphrase}
          onChange={({ target }) => setPassphrase(target.value)}
        />
      </label>
      <p className="mt-1.5 flex flex-wrap gap-2">
        {own && (
          <button
            type="button"
            className="btn btn-xs"
            disabled={passphrase.length < LEAST}
            onClick={() => void save(own)}
          >
            Save my key
          </button>
        )}
        <label className="btn btn-xs relative">
          Bring a key or the team’s
          <input
            type="file"
            accept=".json,application/json"
            className="sr-only"
            onChange={({ target }) => {
              const [file] = target.files ?? [];
              if (file) void bring(file);
              target.value = '';
            }}
          />
        </label>
        {all.length > 0 && (
          <button
            type="button"
            className="btn btn-xs"
            onClick={() =>
              download({ name: 'team.json', mediaType: 'application/json', content: writeTeam(all) })
            }
          >
            Save the team’s keys
          </button>
        )}
      </p>
      {said !== null && (
        <p role="status" className="mt-1 text-[12px]">
          {said}
        </p>
      )}
      <ul className="mt-1 text-[12px]">
        {all.map(({ key, name: whose, secret, from, until }) => (
          <li key={key} className="flex items-baseline gap-2">
            <span className="wrap-anywhere min-w-0 flex-1">
              {whose}
              <span className="text-secondary">
                {' '}
                {key.slice(0, 12)}
                {secret ? ', yours' : ''}
                {from ? `, from ${from}` : ''}
                {until ? `, until ${until}` : ''}
              </span>
            </span>
            {!secret && (
              <button
                type="button"
                className="link"
                aria-label={`Remove the key of ${whose}`}
                onClick={() => void attempt('Removing a key', () => keys.remove(key))}
              >
                Remove
              </button>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Takes a key of one's own in, or the keys of a team. @returns what came of it, in words */
async function brought(text: string, passphrase: string): Promise<string> {
  if (/"tapisTeam"\s*:/.test(text)) {
    const team = readTeam(text);
    if (!team.ok) return problemWords(team.error);
    const fresh = await keys.bring(team.value);
    return `${team.value.length} keys of the team, ${fresh} of them new here.`;
  }
  const opened = await openKey(text, passphrase);
  if (!opened.ok) return opened.error;
  await keys.keep(opened.value);
  return `You sign as ${opened.value.name} now.`;
}
