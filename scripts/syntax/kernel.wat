;; y[i][o] = sum over k of w[o][k] * x[i][k], in 32-bit floats, four rows of x at a time and four values of k at a time.
;; Sums run in one order, without relaxed instructions: every machine finds the same bits.
;; Made into src/core/syntax/kernel.ts by scripts/syntax/kernel.sh.
(module
  (memory (export "memory") 1)
  (func (export "multiply")
    (param $x i32)       ;; where x begins, in bytes
    (param $step i32)    ;; from one row of x to the next, in bytes
    (param $rows i32)    ;; how many rows of x, a multiple of 4
    (param $w i32)       ;; where w begins, in bytes
    (param $width i32)   ;; of a row of w, in bytes, a multiple of 16
    (param $out i32)     ;; how many rows of w
    (param $y i32)       ;; where y begins, in bytes
    (local $i i32) (local $o i32) (local $k i32) (local $wp i32) (local $yp i32) (local $line i32)
    (local $x1 i32) (local $x2 i32) (local $x3 i32)
    (local $a v128) (local $b v128) (local $c v128) (local $d v128) (local $v v128)
    (local.set $line (i32.mul (local.get $out) (i32.const 4)))
    (block $done (loop $row
      (br_if $done (i32.ge_s (local.get $i) (local.get $rows)))
      (local.set $x1 (i32.add (local.get $x) (local.get $step)))
      (local.set $x2 (i32.add (local.get $x1) (local.get $step)))
      (local.set $x3 (i32.add (local.get $x2) (local.get $step)))
      (local.set $wp (local.get $w))
      (local.set $yp (local.get $y))
      (local.set $o (i32.const 0))
      (loop $column
        (local.set $a (v128.const f32x4 0 0 0 0))
        (local.set $b (v128.const f32x4 0 0 0 0))
        (local.set $c (v128.const f32x4 0 0 0 0))
        (local.set $d (v128.const f32x4 0 0 0 0))
        (local.set $k (i32.const 0))
        (loop $along
          (local.set $v (v128.load (i32.add (local.get $wp) (local.get $k))))
          (local.set $a (f32x4.add (local.get $a) (f32x4.mul (local.get $v) (v128.load (i32.add (local.get $x) (local.get $k))))))
          (local.set $b (f32x4.add (local.get $b) (f32x4.mul (local.get $v) (v128.load (i32.add (local.get $x1) (local.get $k))))))
          (local.set $c (f32x4.add (local.get $c) (f32x4.mul (local.get $v) (v128.load (i32.add (local.get $x2) (local.get $k))))))
          (local.set $d (f32x4.add (local.get $d) (f32x4.mul (local.get $v) (v128.load (i32.add (local.get $x3) (local.get $k))))))
          (br_if $along (i32.lt_s (local.tee $k (i32.add (local.get $k) (i32.const 16))) (local.get $width))))
        (call $store (local.get $yp) (local.get $a))
        (call $store (i32.add (local.get $yp) (local.get $line)) (local.get $b))
        (call $store (i32.add (local.get $yp) (i32.mul (local.get $line) (i32.const 2))) (local.get $c))
        (call $store (i32.add (local.get $yp) (i32.mul (local.get $line) (i32.const 3))) (local.get $d))
        (local.set $wp (i32.add (local.get $wp) (local.get $width)))
        (local.set $yp (i32.add (local.get $yp) (i32.const 4)))
        (br_if $column (i32.lt_s (local.tee $o (i32.add (local.get $o) (i32.const 1))) (local.get $out))))
      (local.set $x (i32.add (local.get $x) (i32.mul (local.get $step) (i32.const 4))))
      (local.set $y (i32.add (local.get $y) (i32.mul (local.get $line) (i32.const 4))))
      (local.set $i (i32.add (local.get $i) (i32.const 4)))
      (br $row))))
  (func $store (param $at i32) (param $v v128)
    (f32.store (local.get $at)
      (f32.add
        (f32.add (f32x4.extract_lane 0 (local.get $v)) (f32x4.extract_lane 1 (local.get $v)))
        (f32.add (f32x4.extract_lane 2 (local.get $v)) (f32x4.extract_lane 3 (local.get $v)))))))
