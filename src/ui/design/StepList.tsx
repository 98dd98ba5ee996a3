import { rigourWords } from '../steps/step-words'
import { mainPart, stagesOf, type DesignDocument, type Variant } from '@/core/design'

/** All steps of a variant in words, with what is said beside them. */
export function StepList({
  design,
  variant,
}: {
  readonly design: DesignDocument
  readonly variant: Variant
}) {
  return (
    <section aria-labelledby="steps" className="mt-10">
      <h2 id="steps" className="text-2xl">
        Steps, {variant.name}
      </h2>
      <ol className="mt-3 grid gap-x-10 tablet:grid-cols-2">
        {stagesOf(mainPart(design), variant).map((stage) => (
          <li key={stage.key} className="border-t hairline py-3">
            <h3 className="text-lg">{stage.name}</h3>
            <ul>
              {stage.steps.map((step) => (
                <li key={step.key} className="grid grid-cols-[3.5rem_1fr] py-1">
                  <span className="figure text-xl">{step.repeats === 1 ? '' : `${step.repeats} x`}</span>
                  <span>
                    {step.say}
                    <span className="second">
                      {' '}
                      ({step.crease === 'none' ? '' : `crease ${step.crease}, `}
                      {rigourWords(step.rigour)}
                      {step.direct ? ', left out when folding directly' : ''})
                    </span>
                    {step.note === undefined ? null : (
                      <span className="second block text-sm">{step.note}</span>
                    )}
                    {step.normal === undefined ? null : (
                      <span className="second block text-sm">
                        This looks wrong, but it is right. {step.normal}
                      </span>
                    )}
                    {step.look === undefined ? null : (
                      <span className="block text-sm">Look before you go on: {step.look.join('; ')}.</span>
                    )}
                  </span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </section>
  )
}
