import { expect, signIn, test } from './support/test'

test('who follows, was reached and responded stand beside each other, and a share can be switched to another base', async ({
  page,
}) => {
  await signIn(page, '/mossgate-gardens/audience')
  const ages = page.getByRole('region', { name: 'Age and gender' })
  await expect(ages.getByRole('img', { name: /^Those who follow, by age and gender/ })).toBeVisible()
  const share = async () =>
    Number(
      (
        await ages
          .getByRole('row', { name: /^Women, 25-34/ })
          .getByRole('cell')
          .nth(1)
          .innerText()
      ).replace(/[^\d.]/g, ''),
    )
  const ofAll = await share()
  await ages.getByRole('button', { name: 'of women' }).click()
  await expect(ages.getByText('Shares of the women among them')).toBeVisible()
  await expect.poll(share).toBeGreaterThan(ofAll)
  await expect(ages.getByRole('row', { name: /^Men/ })).toHaveCount(0)
  // a part shows its working, also over the weeks
  await page.goto('/mossgate-gardens/audience?period=last-90-days')
  const countries = page.getByRole('region', { name: 'Countries' })
  await countries.getByRole('button', { name: 'Ireland' }).click()
  const margin = page.getByRole('complementary')
  await expect(margin.getByRole('heading', { name: 'Workings: Ireland' })).toBeVisible()
  await expect(margin.getByRole('img', { name: /^Follow: .+ on .+; Reached: / })).toBeVisible()
  await expect(page).toHaveURL(/part=country.IE/)
  await expect(countries.getByText(/Not in it: .*@mossgate.nursery .*: only with the owner’s consent/)).toBeVisible()
  await countries.getByRole('button', { name: 'To a report: Countries' }).click()
  await expect(
    page.getByRole('dialog', { name: 'Add to a report' }).getByRole('checkbox', { name: 'Audience: countries' }),
  ).toBeVisible()
})

test('whom the client wants is written down once, and each base is set beside it', async ({ page }) => {
  await signIn(page, '/orrery-press/audience')
  const section = page.getByRole('region', { name: 'Whom the client wants' })
  await section.getByRole('button', { name: 'Write it down' }).click()
  const dialog = page.getByRole('dialog', { name: 'Whom the client wants' })
  await dialog.getByRole('checkbox', { name: 'Women' }).check()
  await dialog.getByRole('checkbox', { name: '25–34' }).check()
  await dialog.getByRole('checkbox', { name: 'Canada' }).check()
  await dialog.getByRole('button', { name: 'Write it down' }).click()
  await expect(section.getByText('Women of 25–34, in Canada.')).toBeVisible()
  await expect(section.getByRole('listitem')).toHaveCount(3)
  await expect(section.getByRole('listitem').first()).toContainText(/≈ [\d.]+.% of the followers, between/)
  await expect(section.getByText(/Most missing among those who follow: /)).toBeVisible()
})
