import { Link } from 'react-router';
import { styled } from 'styled-components';
import { onPiece, together, type Answer } from '@core/chemistry/ask.ts';
import { agentIds } from '@core/chemistry/agents.ts';
import { clothOf as chemicalCloth } from '@core/chemistry/cloth.ts';
import { agentNames } from '@words/en/things.ts';
import { withPoisonCentre } from '@words/en/safety.ts';
import { soapDose, type SoapDose, soapForStockG, soapStock } from '@core/chemistry/soap.ts';
import { practices } from '@core/stain/practices.ts';
import { findPractices, practiceWords } from '@words/en/practices.ts';
import { mixTitles, soapNotOn } from '@words/en/chemistry.ts';
import { sentenceOf } from '@words/text.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { garmentDocument, listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import type { Route } from './+types/ask';
import { withHousehold } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Actions, FieldGrid, NumberField, SelectField, TextField } from '../ui/fields.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Ask · Neat Fold' }];

const number = (text: string | null): number | null => {
  if (text === null || text.trim() === '') return null;
  const n = Number(text.replace(',', '.'));
  return Number.isFinite(n) && n > 0 && n <= 500 ? n : Number.NaN;
};

interface AnswerView {
  verdict: Answer['verdict'];
  title: string;
  text: string;
  danger: boolean;
}
const verdictWords = { yes: 'yes', 'with-care': 'yes, with care', no: 'no' } as const;
const answerView = ({ verdict, mix, lines, danger }: Answer, poisonCentre: string | null): AnswerView => ({
  verdict,
  title: mix ? mixTitles[mix] : verdictWords[verdict],
  text: lines.map((l) => withPoisonCentre(sentenceOf(l), poisonCentre)).join(' '),
  danger,
});
const soapView = ({ refused, ...dose }: SoapDose) => ({ ...dose, refused: refused && sentenceOf(refused) });

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx, now }) => {
    const query = new URL(request.url).searchParams;
    const agent = agentIds.find((a) => a === query.get('agent'));
    const other = agentIds.find((a) => a === query.get('other'));
    const word = (query.get('word') ?? '').slice(0, 80);
    const bath = number(query.get('bathL'));
    const stock = number(query.get('stockL'));
    const pieces = await listPieces(tx);
    const piece = pieces.find((p) => p.row.id === query.get('piece'));
    const home = await readHousehold(tx);
    const hardness = home ? householdOf(home.document).water.hardnessMmolPerL : null;
    return {
      agents: agentIds.map((id) => [id, agentNames[id]] as const).sort((a, b) => a[1].localeCompare(b[1])),
      pieces: pieces.map((p) => [p.row.id, p.row.name] as const),
      asked: {
        agent: agent ?? '',
        other: other ?? '',
        piece: piece?.row.id ?? '',
        word,
        bathL: query.get('bathL') ?? '',
        stockL: query.get('stockL') ?? '',
      },
      onPiece:
        agent && piece
          ? {
              about: piece.row.name,
              answer: answerView(onPiece(agent, chemicalCloth(garmentOf(garmentDocument(piece, now)))), null),
            }
          : null,
      together: agent && other ? answerView(together(agent, other), home?.poisonCentre ?? null) : null,
      practices: word
        ? findPractices(word)
            .slice(0, 6)
            .map((id) => ({ ...practiceWords[id], grade: practices[id].grade }))
        : null,
      hardness,
      soap: {
        dose: bath !== null && !Number.isNaN(bath) ? soapView(soapDose(bath, hardness)) : null,
        stockG: stock !== null && !Number.isNaN(stock) ? soapForStockG(stock) : null,
        error: Number.isNaN(bath) || Number.isNaN(stock) ? 'Litres: give a number up to 500.' : null,
      },
    };
  });

const Ask = styled.form`
  display: grid;
  gap: 1rem;
  max-width: 62rem;
`;
const gradeWords = {
  strong: 'It works',
  moderate: 'It works partly',
  folk: 'A custom with little effect',
  harmful: 'It does harm',
} as const;
const AnswerBox = ({ title, a }: { title: string; a: AnswerView }) => (
  <Notice severity={a.danger ? 'danger' : a.verdict === 'yes' ? 'info' : 'caution'} title={`${title}: ${a.title}`} live>
    {a.text}
  </Notice>
);

export default function AskPage({ loaderData: v }: Route.ComponentProps) {
  const { soap } = v;
  return (
    <>
      <PageHead>
        <div>
          <h1>Can I use it?</h1>
          <p>
            On which piece, with what else, and whether the old household advice holds. The product’s own label always
            wins.
          </p>
        </div>
      </PageHead>
      <Ask method="get">
        <FieldGrid $min="16rem">
          <SelectField
            name="agent"
            label="This"
            defaultValue={v.asked.agent}
            options={[['', 'Choose an agent'], ...v.agents]}
          />
          <SelectField
            name="piece"
            label="on this piece"
            defaultValue={v.asked.piece}
            options={[['', 'No piece'], ...v.pieces]}
          />
          <SelectField
            name="other"
            label="or with this"
            defaultValue={v.asked.other}
            options={[['', 'Nothing else'], ...v.agents]}
          />
        </FieldGrid>
        <Actions>
          <Button type="submit">Ask</Button>
          <Link to="/treat">To the stain bench</Link>
        </Actions>
      </Ask>
      <div style={{ display: 'grid', gap: '0.8rem', marginTop: '1rem' }}>
        {v.onPiece && <AnswerBox title={v.onPiece.about} a={v.onPiece.answer} />}
        {v.together && <AnswerBox title="Together" a={v.together} />}
      </div>
      <Section>
        <h2>Household advice</h2>
        <Ask method="get">
          <FieldGrid $min="20rem">
            <TextField
              name="word"
              label="What did you hear?"
              defaultValue={v.asked.word}
              placeholder="salt on red wine"
            />
          </FieldGrid>
          <Actions>
            <Button type="submit" $quiet>
              Look it up
            </Button>
          </Actions>
        </Ask>
        {v.practices &&
          (v.practices.length === 0 ? (
            <Notice title="Not known here">Try fewer words. What is not known here is not recommended either.</Notice>
          ) : (
            <Rows>
              {v.practices.map((p) => (
                <li key={p.claim} style={{ padding: '0.6rem 0' }}>
                  <b>{p.claim}.</b> <Quiet>{gradeWords[p.grade]}.</Quiet>
                  <p>{p.answer}</p>
                </li>
              ))}
            </Rows>
          ))}
      </Section>
      <Section>
        <h2>Own soap</h2>
        <p>
          <Quiet>
            {soapStock.gPerL} g of plain grated soap per litre: dissolve it in a fifth of the water at{' '}
            {soapStock.hotWaterC.join('–')} °C, off the heat add the cold rest, let it stand {soapStock.restH} h, label
            it; it keeps {soapStock.keepsWeeks} weeks in the cool. {soapNotOn}
          </Quiet>
        </p>
        <Ask method="get">
          <FieldGrid $min="12rem">
            <NumberField
              name="stockL"
              label="Solution to make"
              suffix="l"
              defaultValue={v.asked.stockL}
              error={soap.error ?? undefined}
            />
            <NumberField
              name="bathL"
              label="Bath to wash in"
              suffix="l"
              defaultValue={v.asked.bathL}
              hint={v.hardness === null ? 'water hardness unknown' : `your water: ${v.hardness} mmol/l`}
            />
          </FieldGrid>
          <Actions>
            <Button type="submit" $quiet>
              Work it out
            </Button>
          </Actions>
        </Ask>
        {soap.stockG !== null && (
          <p>
            Grate <b>{Math.round(soap.stockG)} g</b> of soap.
          </p>
        )}
        {soap.dose &&
          (soap.dose.refused ? (
            <Notice severity="caution" title="Not with this water">
              {soap.dose.refused} Lime would eat {Math.round(soap.dose.lossG)} g of {Math.round(soap.dose.soapG)} g.
            </Notice>
          ) : (
            <p>
              Take <b>{Math.round(soap.dose.stockMl)} ml</b> of solution: {soap.dose.soapG.toFixed(1)} g of soap, of
              which lime eats {soap.dose.lossG.toFixed(1)} g. On cotton and linen {Math.round(soap.dose.sodaAshG)} g of
              washing soda in the water first saves that.
            </p>
          ))}
      </Section>
    </>
  );
}
