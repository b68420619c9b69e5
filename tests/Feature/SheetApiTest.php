<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\RigStore;
use Tests\TestCase;
use ZincThimble\Core\Plan\Sheet;
use ZincThimble\Core\Plan\Shots;

/** A rig's sheet over HTTP: the core's lines, as a page's, as text and as an open file. */
final class SheetApiTest extends TestCase
{
    public function test_every_line_is_the_cores_in_every_form(): void
    {
        $user = $this->guest();
        $this->actingAs($user);
        foreach ($user->rigs()->with('parts')->get() as $rig) {
            $core = $this->app->make(RigStore::class)->read($rig);
            $sheet = Sheet::of(Shots::of($core));
            $told = $this->getJson("/api/rigs/{$rig->id}/sheet")->assertOk()->json();
            $this->assertSame([$sheet->title, array_keys($sheet->sections)], [$told['title'], array_column($told['sections'], 'heading')]);
            $this->assertSame($sheet->toArray(), array_combine(array_column($told['sections'], 'heading'), array_column($told['sections'], 'lines')));
            $sheet->ruleMm === null ? $this->assertNull($told['ruleMm']) : $this->assertEqualsWithDelta($sheet->ruleMm, $told['ruleMm'], 1e-9);
            $this->assertCount(count($core->chain), $told['drawn']);
            $text = $this->get("/api/rigs/{$rig->id}/sheet?as=text")->assertOk()->assertHeader('Content-Type', 'text/plain; charset=UTF-8');
            $this->assertSame($sheet->text(), $text->getContent());
            $file = json_decode((string) $this->get("/api/rigs/{$rig->id}/sheet?as=file")->assertOk()->getContent(), true);
            $this->assertSame(['zinc-thimble/sheet', 1, $sheet->title, $sheet->toArray()], [$file['format'], $file['version'], $file['title'], $file['sections']]);
        }
        $this->getJson("/api/rigs/{$this->rigOf($user, 'Lichen disc')->id}/sheet?as=pdf")->assertStatus(422);
        $this->getJson('/api/rigs/'.$this->rigOf($this->guest(), 'Lichen disc')->id.'/sheet')->assertNotFound();
    }
}
